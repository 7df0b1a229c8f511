import { randomUUID } from 'node:crypto'
import type { Page } from 'puppeteer-core'
import { beforeEach, describe, expect, test } from 'vitest'
import { SEVEN_FOLDS } from '#core'
import { enter, PHONE, tabTo, textOf, waitForFocus, waitForText, visit } from './support/browser'
import * as flow from './support/floor'
import { NOW, useFloor } from './support/floor'
import type { Gym } from '#shared/contract/equipment'
import type { TestServer } from './support/server'

const floor = useFloor()
let page: Page
let server: TestServer
beforeEach(() => ({ page, server } = floor))

const secondCheckIn = (name: string) => flow.secondCheckIn(server, name)
const openFolds = (id: string) => flow.openFolds(page, server, id)
const toResult = () => flow.toResult(page)
const stored = (id: string) => flow.stored(page, server, id)
const violations = () => flow.violations(page)

describe('findings in the moment', () => {
  test('the honest list is not questioned', async () => {
    const id = await secondCheckIn('Hanna Honest')
    await openFolds(id)
    for (const value of [...NOW, ...NOW.map((v, i) => v + (i % 2 ? 0.5 : -0.5))]) {
      await enter(page, value)
      expect(await page.$('[data-test="finding"]')).toBeNull()
      expect(await page.$('[data-test="asked"]')).toBeNull()
    }
    await waitForFocus(page, 'mass')
    await enter(page, '61.6')
    await waitForText(page, 'No issues found')
    await toResult()
    // The last number of each stage was entered with it, and is not half typed.
    const half = (name: string) => localStorage.getItem(`oak-pinch-typed-${name}`)
    expect(await page.evaluate(half, id)).toBeNull()
  })

  test.each([
    ['a decimal point moved', 'abdominal', '1.95', /enter 3 to 85 mm/, 19.5],
    ['digits changed about', 'thigh', '52', /digits swapped/, 25],
    ['inches', 'subscapular', '0.5', /enter 3 to 75 mm/, 12.7],
    ['a decimal point lost', 'abdominal', '195', /enter 3 to 85 mm/, 19.5],
  ] as const)('%s: one key takes what was meant', async (_what, slipped, typed, words, meant) => {
    const id = await secondCheckIn(`Slip ${typed}`)
    await openFolds(id)
    for (const [i, site] of SEVEN_FOLDS.entries()) {
      await enter(page, site === slipped ? typed : NOW[i]!)
      if (site !== slipped) continue
      // A value outside the hard limits is refused and stays in the field; any other lets the work go on.
      const where = '[data-test="finding"], #reading-problem'
      await page.waitForSelector(where)
      expect(await page.$eval(where, (e) => (e as HTMLElement).innerText)).toMatch(words)
      await page.keyboard.press('a')
      await page.waitForFunction((s) => !document.querySelector(s), {}, where)
    }
    await waitForText(page, 'Round 2 · site 1 of 7')
    const { readings } = await stored(id)
    const mine = readings.filter((r) => r.site === slipped)
    expect(mine.at(-1)!.value).toBeCloseTo(meant, 6)
  })

  test('two sites swapped are put right together, and the typed values stay on record', async () => {
    const id = await secondCheckIn('Sven Swap')
    await openFolds(id)
    for (const value of [16.5, 10.5, 9]) await enter(page, value)
    await waitForText(page, 'Chest and Triceps look swapped')
    await page.keyboard.press('a')
    await page.waitForFunction(() => !document.querySelector('[data-test="finding"]'))
    const { readings } = await stored(id)
    expect(readings.map((r) => [r.site, r.value])).toEqual([
      ['chest', 16.5],
      ['midaxillary', 10.5],
      ['triceps', 9],
      ['chest', 9],
      ['triceps', 16.5],
    ])
    expect(readings[3]!.supersedes).toBe(readings[0]!.id)
  })

  test('pounds under kilograms are asked about at the scale', async () => {
    const id = await secondCheckIn('Paula Pound')
    await openFolds(id)
    for (const value of [...NOW, ...NOW]) await enter(page, value)
    await waitForFocus(page, 'mass')
    await enter(page, '136.7')
    await waitForText(page, 'pounds typed as kilograms')
    await page.keyboard.press('a')
    await toResult()
    expect(await textOf(page, 'mass')).toBe('62.01 kg')
  })

  test('typing on keeps the value, marked beside its site', async () => {
    const id = await secondCheckIn('Kaja Keep')
    await openFolds(id)
    for (const value of [9, 10.5, 61.5, 13]) await enter(page, value)
    expect(await page.$$eval('[data-test="asked"]', (all) => all.length)).toBe(1)
    expect(await textOf(page, 'site')).toBe('Abdominal')
    expect((await stored(id)).readings.map((r) => r.value)).toEqual([9, 10.5, 61.5, 13])
  })
})

describe('keys', () => {
  test('skip with a reason, go to a site, undo, and the map of keys', async () => {
    const id = await secondCheckIn('Kit Keys')
    await openFolds(id)
    await enter(page, 9)
    await page.keyboard.press('?')
    await waitForText(page, 'reading timer: start when the jaws close')
    await page.keyboard.press('Escape')
    await waitForFocus(page, 'reading')
    await page.keyboard.press('s')
    await waitForText(page, 'Why skip Midaxillary?')
    await page.keyboard.press('3')
    await waitForFocus(page, 'reading')
    expect(await textOf(page, 'site')).toBe('Triceps')
    await page.keyboard.press('b')
    expect(await textOf(page, 'site')).toBe('Subscapular')
    await page.keyboard.press('g')
    await waitForText(page, 'Go to')
    await page.keyboard.press('2')
    await waitForFocus(page, 'reading')
    expect(await textOf(page, 'site')).toBe('Midaxillary')
    await enter(page, 10.5)
    await page.keyboard.press('u')
    await waitForText(page, 'Enter to keep')
    await enter(page, 11)
    const checkIn = await stored(id)
    expect(checkIn.skipped).toEqual([{ site: 'triceps', reason: 'beyond the caliper' }])
    expect(checkIn.readings.map((r) => r.value)).toEqual([9, 10.5, 11])
  })

  test('a skip is taken back before any reading is', async () => {
    const id = await secondCheckIn('Ugo Undo')
    await openFolds(id)
    for (const value of [9, 10.5]) await enter(page, value)
    await page.keyboard.press('b')
    await waitForText(page, 'Triceps skipped: fold too large for the caliper')
    expect(await textOf(page, 'site')).toBe('Subscapular')
    await page.keyboard.press('u')
    await page.waitForFunction(() => !document.querySelector('[data-test="skipped"]'))
    expect(await textOf(page, 'site')).toBe('Triceps')
    // The skip is gone; the next one takes back a reading, the last one.
    await page.keyboard.press('u')
    await waitForText(page, 'Enter to keep')
    expect(await textOf(page, 'site')).toBe('Midaxillary')
    await enter(page, 11)
    const checkIn = await stored(id)
    expect(checkIn.skipped).toEqual([])
    expect(checkIn.readings.map((r) => r.value)).toEqual([9, 10.5, 11])
  })

  test('the sum, what the hand can tell and fat % stand beside the sheet', async () => {
    // A hand without duplicates of its own yet: the usual error holds.
    const gym = await server.post<Gym>('/api/gym/testers', {
      ...{ id: randomUUID(), name: 'New Hand', skill: 'trained' },
    })
    const fresh = gym.testers.find(({ name }) => name === 'New Hand')!
    await server.patch('/api/gym/settings', { testerId: fresh.id })
    const id = await secondCheckIn('Suse Sum')
    await openFolds(id)
    for (const value of NOW) await enter(page, value)
    await waitForText(page, '−5.0 mm')
    // Single trials of seven folds: 8.0 mm, and a little more for the caliper's graduation.
    expect(await textOf(page, 'reach')).toBe('8.1 mm')
    expect(await textOf(page, 'running-fat')).toMatch(/^\d\d\.\d%$/)
  })

  test('the read cue counts the seconds of the standard', async () => {
    const id = await secondCheckIn('Cora Cue')
    await openFolds(id)
    await page.keyboard.press('Space')
    await waitForText(page, 'Wait…')
    await waitForText(page, 'Read now.')
    await enter(page, 9)
    expect(await textOf(page, 'site')).toBe('Midaxillary')
  })
})

test('the read-back says what is missing, alone or once only, and corrects in place', async () => {
  const id = await secondCheckIn('Rena Readback')
  await openFolds(id)
  for (const value of [...NOW, 9, 10.5]) await enter(page, value)
  await page.keyboard.press('j')
  await tabTo(page, 'Review')
  await page.keyboard.press('Enter')
  await waitForText(page, '6 issues to review before closing')
  const body = await page.evaluate(() => document.body.innerText)
  for (const words of ['skipped: jaws not parallel', 'only 1 reading of', 'not weighed']) {
    expect(body).toContain(words)
  }
  await tabTo(page, 'Correct Chest, reading 1')
  await page.keyboard.press('Enter')
  await waitForFocus(page, 'correction')
  await enter(page, '500')
  await waitForText(page, 'Got “500”')
  await enter(page, '9.5', true)
  await waitForText(page, 'Edit history')
  const { readings } = await stored(id)
  const chest = readings.filter((r) => r.site === 'chest' && r.trial === 1)
  expect(chest.map((r) => r.value)).toEqual([9, 9.5])
  expect(chest[1]!.supersedes).toBe(chest[0]!.id)
})

test('Back leads to the stage before, and a reload loses no digit that was typed', async () => {
  const id = await secondCheckIn('Bea Back')
  await page.goto(`${server.url}/`)
  await openFolds(id)
  await enter(page, 9)
  await page.keyboard.type('10.')
  await page.reload()
  await waitForFocus(page, 'reading')
  const typed = () => page.$eval('#reading', (e) => (e as HTMLInputElement).value)
  expect(await typed()).toBe('10.')
  expect(await textOf(page, 'site')).toBe('Midaxillary')
  await enter(page, '5')
  await page.goBack()
  await waitForFocus(page, 'Continue to folds')
  await page.goBack()
  await waitForFocus(page, 'Continue to landmarks')
  await page.goForward()
  await waitForFocus(page, 'Continue to folds')
  await page.keyboard.press('Enter')
  await waitForFocus(page, 'reading')
  expect(await textOf(page, 'site')).toBe('Triceps')
  expect(await typed()).toBe('')
  expect((await stored(id)).readings.map((r) => r.value)).toEqual([9, 10.5])
  // Nothing of it is left behind in the browser.
  const kept = await page.evaluate((name) => localStorage.getItem(`oak-pinch-typed-${name}`), id)
  expect(kept).toBeNull()
})

test('what is closed opens where each value can be corrected, and asks for no new reading', async () => {
  const { id } = await flow.addClient(server, 'Cori Correct')
  const checkIn = await flow.startCheckIn(server, id, 3)
  await flow.closeWithSheet(server, checkIn)
  await visit(page, `${server.url}/clients/${id}/check-ins/${checkIn.id}`)
  await flow.press(page, 'Correct readings')
  await page.waitForSelector('[data-test="read-back"]')
  await tabTo(page, 'Correct Chest, reading 1')
  await page.keyboard.press('Enter')
  await waitForFocus(page, 'correction')
  await enter(page, '10')
  await waitForText(page, 'Edit history')
  const chest = (await stored(checkIn.id)).readings.filter((r) => r.site === 'chest')
  expect(chest.at(-1)).toMatchObject({ value: 10, trial: 1 })
  await flow.press(page, 'Correct the weight')
  await waitForFocus(page, 'mass')
})

test('a protocol of folds alone takes any girth on the spot', async () => {
  const { id } = await flow.addClient(server, 'Gia Girth')
  const checkIn = await flow.startCheckIn(server, id, 0)
  await server.patch(`/api/check-ins/${checkIn.id}`, {
    ...{ protocolId: 'eight-fold-int', revision: checkIn.revision, window: randomUUID() },
  })
  await page.goto(`${server.url}/check-in/${checkIn.id}`)
  await waitForFocus(page, 'Continue to landmarks')
  await flow.press(page, 'Tape')
  await waitForText(page, 'This protocol has no girths')
  await flow.press(page, 'Add a girth')
  await flow.press(page, '6 Waist')
  await waitForFocus(page, 'reading')
  await enter(page, '81.5')
  const { extraGirths, readings } = await stored(checkIn.id)
  expect(extraGirths).toEqual(['waist'])
  expect(readings.map((r) => [r.site, r.value])).toEqual([['waist', 81.5]])
})

test('by touch alone on a phone: the keypad takes seven folds', async () => {
  const id = await secondCheckIn('Tamsin Thumb')
  await page.setViewport(PHONE)
  await page.goto(`${server.url}/check-in/${id}`)
  await waitForText(page, 'Continue to landmarks')
  const tap = (text: string) => flow.tap(page, text)
  await tap('Continue to landmarks')
  await tap('Continue to folds')
  await waitForFocus(page, 'reading')
  expect(await page.$eval('#reading', (e) => (e as HTMLInputElement).inputMode)).toBe('none')
  for (const value of NOW) {
    for (const sign of String(value)) await tap(sign)
    await tap('Enter')
  }
  await waitForText(page, 'Round 2 · site 1 of 7')
  expect((await stored(id)).readings.map((r) => r.value)).toEqual(NOW)
})

test('no stage has an accessibility violation, at either size', async () => {
  const id = await secondCheckIn('Ada Audit')
  for (const size of [{ width: 1280, height: 800 }, PHONE]) {
    await page.setViewport(size)
    await page.goto(`${server.url}/check-in/${id}`)
    await waitForFocus(page, 'Continue to landmarks')
    for (const stage of ['Ready', 'Landmarks', 'Folds', 'Scale', 'Review', 'Result']) {
      await tabTo(page, stage)
      await page.keyboard.press('Enter')
      expect(await violations(), `${stage} at ${size.width}`).toEqual([])
    }
  }
  for (const path of ['/', '/clients/new']) {
    await visit(page, `${server.url}${path}`)
    expect(await violations(), path).toEqual([])
  }
})
