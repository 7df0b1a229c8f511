import type { Page } from 'puppeteer-core'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { PATIENCE } from '../support/patience'
import { addDays, isoDateOf } from '#core'
import type { CheckInView } from '#shared/contract/check-ins'
import type { Roster } from '#shared/contract/roster'
import type { Today } from '#shared/contract/today'
import {
  enter,
  load,
  PHONE,
  tabTo,
  textOf,
  waitForFocus,
  waitForText,
  visit,
} from './support/browser'
import * as flow from './support/floor'
import { useFloor } from './support/floor'
import { onlyInFolder, type TestServer } from './support/server'

/* The sheet of check-values.md (common practice, no source): chest, midaxillary, triceps, subscapular, abdominal, suprailiac, thigh. */
const SHEET = [4, 4, 12, 6, 5, 4, 12]
const SLIPPED = [4, 4, 12, 4, 5, 4, 12]

const floor = useFloor({ demo: true })
let page: Page
let server: TestServer
beforeEach(() => ({ page, server } = floor))

/** Adds a woman of 34 (or a man) with the keyboard alone; the client's page is open afterwards. */
async function addWoman(name: string, { man = false, height = "5'6" } = {}) {
  await visit(page, `${server.url}/clients/new`)
  await waitForFocus(page, 'name')
  await page.keyboard.type(name)
  await page.keyboard.press('Tab')
  await page.keyboard.press('Space')
  if (man) await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Tab')
  const [year, month, day] = addDays(isoDateOf(new Date()), -Math.round(34.5 * 365.25)).split('-')
  await page.keyboard.type(`${month}${day}${year}`)
  await tabTo(page, 'height')
  await page.keyboard.type(height)
  await waitForText(page, 'Read as')
  await page.keyboard.press('Enter')
  await waitForText(page, 'No check-in yet.')
}

async function startFolds() {
  await tabTo(page, 'Start a check-in')
  await page.keyboard.press('Enter')
  await flow.begin(page)
}

const toResult = () => flow.toResult(page)

async function openCheckInOf(name: string) {
  const { measure } = await server.get<Today>('/api/today')
  return measure.shown.find((e) => e.client.name === name)!.open!.id
}

const storedIn = async (id: string) =>
  (await server.get<CheckInView>(`/api/check-ins/${id}`)).checkIn.readings

describe('a seven-fold check-in by keyboard alone', () => {
  test('gives 11.84 % and 106.67 lb, over a kill -9 of the server and two reloads', async () => {
    await addWoman('Willa Keyboard')
    await startFolds()
    for (const value of SHEET.slice(0, 5)) await enter(page, value)
    await waitForText(page, 'all stored')
    const id = await openCheckInOf('Willa Keyboard')
    expect(await storedIn(id)).toHaveLength(5)

    await server.kill()
    await enter(page, SHEET[5]!)
    await enter(page, SHEET[6]!)
    await waitForText(page, '2 readings kept here, waiting for the server')
    await server.start()
    await waitForText(page, 'all stored')
    expect((await storedIn(id)).map((r) => r.value)).toEqual(SHEET)

    await page.reload()
    await waitForFocus(page, 'reading')
    await waitForText(page, 'Round 2 · site 1 of 7')
    for (const value of SHEET) await enter(page, value)
    await waitForFocus(page, 'mass')
    await enter(page, '121 lb')
    await toResult()
    expect(await textOf(page, 'fat-percent')).toMatch(/^11\.84% ± 3\.\d$/)
    await tabTo(page, 'The working, unrounded')
    await page.keyboard.press('Enter')
    await waitForText(page, 'Sum S')
    expect(await textOf(page, 'working')).toMatch(/0\.00000056 × 2209/)

    await page.reload()
    await waitForFocus(page, 'Close the check-in')
    await tabTo(page, 'kg')
    await page.keyboard.press('ArrowRight')
    await waitForText(page, '106.67 lb')
    expect(await textOf(page, 'lean-mass')).toBe('106.67 lb')
    await tabTo(page, 'Close the check-in')
    await page.keyboard.press('Enter')
    await waitForText(page, 'Next check-in from')
    expect(await textOf(page, 'ledger')).toMatch(/Subscapular\s+6\.0/)
    expect(await storedIn(id)).toHaveLength(15)
  })

  test('with the slip gives 11.48 %, and by Brozek another figure', async () => {
    await addWoman('Sissy Slip')
    await startFolds()
    for (const value of [...SLIPPED, ...SLIPPED]) await enter(page, value)
    await waitForFocus(page, 'mass')
    await enter(page, '121 lb')
    await toResult()
    expect(await textOf(page, 'fat-percent')).toMatch(/^11\.48%/)
    await tabTo(page, 'Siri')
    await page.keyboard.press('ArrowRight')
    await page.waitForFunction(
      () => !document.querySelector('[data-test="fat-percent"]')!.textContent!.includes('11.48'),
    )
    const id = await openCheckInOf('Sissy Slip')
    await waitForText(page, 'all stored')
    expect((await server.get<CheckInView>(`/api/check-ins/${id}`)).checkIn.conversion).toBe(
      'brozek',
    )
  })

  test('asks again at the end for the pair that is apart, and lets any box be corrected', async () => {
    await addWoman('Thea Third')
    await startFolds()
    for (const value of SHEET) await enter(page, value)
    await enter(page, '400')
    await waitForText(page, 'Chest: enter 2 to 70 mm. Got “400”.')
    for (let i = 0; i < 3; i++) await page.keyboard.press('Backspace')
    for (const value of [4, 9]) await enter(page, value)
    await page.keyboard.press('Backspace')
    await waitForText(page, 'Enter to keep')
    await enter(page, '8.5')
    for (const value of SHEET.slice(2)) await enter(page, value)
    await waitForText(page, '4.5 mm apart')
    expect(await textOf(page, 'site')).toBe('Midaxillary')
    await enter(page, '8')
    await waitForFocus(page, 'mass')
    const id = await openCheckInOf('Thea Third')
    // The next stage has the focus before the server has answered.
    const values = await vi.waitFor(async () => {
      const found = (await storedIn(id)).filter((r) => r.site === 'midaxillary')
      expect(found.map((r) => r.value)).toEqual([4, 9, 8.5, 8])
      return found
    }, PATIENCE)
    expect(values[2]!.supersedes).toBe(values[1]!.id)
  })

  test('can be a three-fold one, chosen by arrow key', async () => {
    await addWoman('Tess Three')
    await tabTo(page, 'Start a check-in')
    await page.keyboard.press('Enter')
    await waitForFocus(page, 'Continue to landmarks')
    // Back over what explains the landmark standard, to the protocols.
    await page.keyboard.down('Shift')
    for (let presses = 0; presses < 2; presses++) await page.keyboard.press('Tab')
    await page.keyboard.up('Shift')
    expect(await page.evaluate(() => document.activeElement!.getAttribute('role'))).toBe('radio')
    await page.keyboard.press('ArrowRight')
    await tabTo(page, 'Continue to landmarks')
    await flow.begin(page)
    expect(await textOf(page, 'site')).toBe('Triceps')
    for (const value of [16, 14, 25, 16.5, 14, 25]) await enter(page, value)
    await waitForFocus(page, 'mass')
    await enter(page, '60,5 kg')
    await toResult()
    await waitForText(page, 'Jackson-Pollock, three folds')
  })
})

/* A man of 72 in, neck 17, navel 34 in: 12.5 % by the inch form (common practice, no source). */
test('a check-in with the tape alone, in inches, gives 12.5 %', async () => {
  await addWoman('Theo Tape', { man: true, height: '72 in' })
  await tabTo(page, 'Start a check-in')
  await page.keyboard.press('Enter')
  await waitForFocus(page, 'Continue to landmarks')
  await tabTo(page, 'Seven folds')
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowRight')
  await tabTo(page, 'Continue to landmarks')
  await flow.begin(page)
  for (const value of ['17 in', '34 in', '17"']) await enter(page, value)
  await enter(page, '400 in')
  await waitForText(page, 'Got “400 in”')
  await enter(page, '34 in', true)
  await waitForFocus(page, 'mass')
  await enter(page, '167 lb')
  await toResult()
  expect(await textOf(page, 'fat-percent')).toMatch(/^12\.5\d% ± 3\.5$/)
})

describe('the demo', () => {
  const entryOf = async (name: string) => {
    const { entries } = await server.get<Roster>(`/api/clients?search=${name}`)
    return entries[0]!
  }

  test('Today says who to look at and who to measure, and resumes from there', async () => {
    await visit(page, server.url)
    for (const text of ['to review · ', 'Losing lean.', 'Good news to share'])
      await waitForText(page, text)
    for (const text of ['19 days overdue', 'This week', 'other clients are on course.'])
      await waitForText(page, text)
    // What the coach is done with is away, and comes back when it is taken up again.
    const item = '[data-item="fat-up"]'
    await page.waitForSelector(item)
    const heading = await page.$eval('h1', (e) => e.textContent!)
    await flow.press(page, 'Done Marguerite Oyel')
    await page.waitForFunction((gone) => !document.querySelector(gone), {}, item)
    expect(await page.$eval('h1', (e) => e.textContent!)).not.toBe(heading)
    await flow.press(page, 'Undo')
    await page.waitForSelector(item)
    expect(await page.$eval('h1', (e) => e.textContent!)).toBe(heading)
    await tabTo(page, 'Resume')
    await page.keyboard.press('Enter')
    await waitForFocus(page, 'reading')
    await waitForText(page, 'Round 2 · site 3 of 7')
    expect(await textOf(page, 'last')).toMatch(/^\d+\.\d$/)
  })

  test('a page that the server has drawn sleeps until a hand comes, and answers its first click', async () => {
    const { client } = await entryOf('Tilda')
    await load(page, `${server.url}/clients/${client.id}`)
    // Vue keeps the listeners of an element under a symbol of its own.
    const listens = (selector: string) =>
      page.$eval(selector, (element) => Object.getOwnPropertySymbols(element).length > 0)
    // Thirteen check-ins, what they are called, and the changes since last and since the first.
    expect(await page.$$eval('[data-test="ledger"] thead th', (heads) => heads.length)).toBe(16)
    expect(await listens('[data-test="ledger"] tbody')).toBe(false)
    const before = /Body mass, (kg|lb)/.exec(await textOf(page, 'ledger'))![1]!
    const other = before === 'kg' ? 'lb' : 'kg'
    // Nothing announces this click: no pointer moved and nothing had the focus.
    await flow.press(page, other)
    await waitForText(page, `Body mass, ${other}`)
    await waitForText(page, `Fat, ${other}`)
    expect(await listens('[data-test="ledger"] tbody')).toBe(true)
    await flow.press(page, before)
    await waitForText(page, `Body mass, ${before}`)
  })

  test('no page is wider than a phone', async () => {
    await page.setViewport(PHONE)
    const { client } = await entryOf('Tilda')
    const { measure } = await server.get<Today>('/api/today')
    const { open } = measure.shown.find(({ client: { name } }) => name.startsWith('Orla'))!
    for (const path of ['/', '/clients/new', `/clients/${client.id}`, `/check-in/${open!.id}`]) {
      await visit(page, `${server.url}${path}`)
      const width = await page.evaluate(() => document.documentElement.scrollWidth)
      expect(width).toBe(PHONE.width)
    }
  })
})

describe('the data folder', () => {
  onlyInFolder(() =>
    test('is refused to a second process in one line, and free after a kill -9', async () => {
      const { code, stderr } = await server.second()
      expect(code).toBe(1)
      expect(stderr.trim().split('\n')).toEqual([
        expect.stringMatching(/is in use by another Oak Pinch \(process \d+\)/),
      ])
      await server.kill()
      await server.start()
      expect((await server.get<Today>('/api/today')).clients).toBeGreaterThanOrEqual(12)
    }),
  )

  test('answers this machine alone', async () => {
    const foreign = await fetch(`${server.url}/api/today`, {
      headers: { origin: 'http://elsewhere.example' },
    })
    expect(foreign.status).toBe(403)
  })
})
