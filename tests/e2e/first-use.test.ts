import type { Page } from 'puppeteer-core'
import { beforeEach, expect, test } from 'vitest'
import type { Gym } from '#shared/contract/equipment'
import type { Roster } from '#shared/contract/roster'
import { IN_LONG_WORDS, PHONE, visit, waitForFocus, waitForText } from './support/browser'
import * as flow from './support/floor'
import { useFloor } from './support/floor'
import { smallTargets } from './support/targets'
import { TestServer } from './support/server'

const floor = useFloor()
let page: Page
let server: TestServer
beforeEach(async () => {
  page = floor.page
  // Each first start has a record of its own.
  await floor.server.remove()
  server = floor.server = await TestServer.create()
})

/** Counts what a newcomer does: a text typed into a field, or a press of a button, choice or key that enters it. */
let actions = 0
const type = async (selector: string, text: string) => {
  const field = await page.waitForSelector(selector)
  // As a hand does: away from the bar at the foot of a phone.
  await field!.evaluate((at) => at.scrollIntoView({ block: 'center' }))
  await field!.click()
  await page.keyboard.type(text)
  actions++
}
const press = async (name: string) => {
  await flow.press(page, name)
  actions++
}

async function welcomeTo(firstStage: string) {
  actions = 0
  await visit(page, `${server.url}/`)
  await waitForText(page, 'Welcome to Oak Pinch')
  await type('#coach', 'Cleo Marsh')
  await type('#client-name', 'Nia Newcomer')
  await press('Female')
  await type('#birth-year', '1990')
  await press('Start measuring')
  await waitForText(page, firstStage)
}

test('on a laptop: from the first start to the first result in 15 actions', async () => {
  await welcomeTo('Continue to landmarks')
  await press('Continue to landmarks')
  await press('Continue to folds')
  await waitForFocus(page, 'reading')
  for (const value of ['18', '14', '24', '18.5', '14', '24.5']) {
    await page.keyboard.type(value)
    await page.keyboard.press('Enter')
    actions++
  }
  await waitForFocus(page, 'mass')
  await page.keyboard.type('64.2')
  await page.keyboard.press('Enter')
  actions++
  await press('Continue to result')
  await waitForText(page, /About \d\d% fat/)
  expect(actions).toBeLessThanOrEqual(15)
  // Who measured and with what is on record as it was said.
  const gym = await server.get<Gym>('/api/gym')
  // A hand that nobody has tested is not taken for a practiced one.
  expect(gym.testers).toMatchObject([{ name: 'Cleo Marsh', skill: 'novice' }])
  expect(gym.instruments.find(({ kind }) => kind === 'caliper')).toMatchObject({ jaws: 'spring' })
  const { entries } = await server.get<Roster>('/api/clients')
  expect(entries.map(({ client }) => client.name)).toEqual(['Nia Newcomer'])
  // The welcome was the first start’s alone.
  await visit(page, `${server.url}/`)
  await waitForText(page, 'Nia Newcomer')
  expect(await page.evaluate(() => document.body.innerText)).not.toContain('Welcome')
})

test('on a phone, with the keypad: 15 actions, none on a target too small', async () => {
  await page.setViewport(PHONE)
  await welcomeTo('Continue to landmarks')
  await press('Continue to landmarks')
  await press('Continue to folds')
  await waitForFocus(page, 'reading')
  expect(await smallTargets(page)).toEqual([])
  const take = async (value: string) => {
    for (const sign of value) await flow.tap(page, sign)
    await flow.tap(page, 'Enter')
    actions++
  }
  for (const value of ['18', '14', '24', '18.5', '14', '24.5']) await take(value)
  await waitForFocus(page, 'mass')
  await take('64.2')
  await press('Continue to result')
  await waitForText(page, /About \d\d% fat/)
  expect(actions).toBeLessThanOrEqual(15)
})

test('what is missing is named at its field, and nothing typed is lost', async () => {
  await visit(page, `${server.url}/`)
  await type('#client-name', 'Nia Newcomer')
  await press('Start measuring')
  await page.waitForSelector('#coach-error')
  await type('#coach', 'Cleo Marsh')
  await press('Start measuring')
  await page.waitForSelector('#sex-error')
  const kept = await page.$eval('#client-name', (e) => (e as HTMLInputElement).value)
  expect(kept).toBe('Nia Newcomer')
  await press('No caliper')
  await press('Female')
  await press('Start measuring')
  await waitForText(page, 'Continue to landmarks')
  const gym = await server.get<Gym>('/api/gym')
  expect(gym.settings.caliperId).toBeNull()
  await waitForText(page, 'tape only')
})

test('made-up data is looked at apart from the record, and left again', async () => {
  await visit(page, `${server.url}/`)
  await press('Look around with made-up data')
  await page.waitForSelector('[data-test="made-up"]')
  await waitForText(page, 'to measure')
  const inside = await page.evaluate(async () => {
    const answer = await fetch('/api/clients')
    return ((await answer.json()) as Roster).entries.length
  })
  expect(inside).toBeGreaterThan(10)
  // Somebody added in there is not on the record out here.
  await visit(page, `${server.url}/clients/new`)
  await type('#name', 'Ida Invented')
  await press('Male')
  await press('Add client')
  await waitForText(page, 'Ida Invented')
  expect((await server.get<Roster>('/api/clients')).entries).toEqual([])
  await press('Back to my record')
  await waitForText(page, 'Welcome to Oak Pinch')
  expect((await server.get<Roster>('/api/clients')).entries).toEqual([])
})

test('the guide fits a phone and prints, and terms are explained where they stand', async () => {
  await page.setViewport(PHONE)
  await visit(page, `${server.url}/guide`)
  expect(await page.$$eval('main svg[role=img]', (all) => all.length)).toBe(5)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(PHONE.width)
  const pdf = Buffer.from(await page.pdf({ format: 'A4' })).toString('latin1')
  expect(pdf.match(/\/Type \/Page\b/g)!.length).toBeLessThanOrEqual(IN_LONG_WORDS ? 3 : 2)
  expect(await flow.violations(page)).toEqual([])
  const id = await flow.secondCheckIn(server, 'Tia Term')
  await page.goto(`${server.url}/check-in/${id}`)
  await waitForText(page, 'Continue to landmarks')
  for (const [term, words] of [
    ['Protocol', 'check-ins by the same protocol can be compared'],
    ['Landmark standard', 'is another site'],
    ['Tester', 'never measure quite alike'],
  ] as const) {
    await page.click(`button[aria-label="What this means: ${term}"]`)
    await waitForText(page, words)
    await page.keyboard.press('Escape')
    await page.waitForFunction((w) => !document.body.innerText.includes(w), {}, words)
  }
})

test('what is empty says so, with the way on', async () => {
  for (const [path, words, way] of [
    ['clients', 'No clients yet.', 'Add a client'],
    ['calendar', 'Nobody is due this month.', 'Next month'],
    ['leaderboards', 'No leaderboard yet.', 'New leaderboard'],
  ] as const) {
    await visit(page, `${server.url}/${path}`)
    await waitForText(page, words)
    await waitForText(page, way)
  }
  const { id } = await flow.addClient(server, 'Nia Newcomer')
  await visit(page, `${server.url}/clients?search=Somebody`)
  await waitForText(page, 'Nobody matches.')
  for (const [path, words] of [
    ['curves', 'No curve yet'],
    ['body-map', 'Two check-ins are needed'],
    ['plan', 'A plan starts from a check-in'],
    ['plan/change', 'A plan starts from a check-in'],
  ] as const) {
    await visit(page, `${server.url}/clients/${id}/${path}`)
    await waitForText(page, words)
    expect(await page.evaluate(() => document.body.innerText)).not.toContain('current plan')
  }
  await flow.press(page, 'Start a check-in')
  await waitForText(page, 'Continue to landmarks')
})

test('a page that cannot be loaded says so, and comes when it is asked for again', async () => {
  await flow.addClient(server, 'Lena Later')
  await visit(page, `${server.url}/clients`)
  await waitForText(page, 'Lena Later')
  await flow.press(page, 'Equipment')
  await waitForText(page, 'Calipers')
  await server.kill()
  await flow.press(page, 'Clients')
  await waitForText(page, 'The server does not answer.')
  expect(await page.$('[data-test="trouble"] button')).not.toBeNull()
  // Asked while it is still away, it says the same; once it is there, the page comes.
  await flow.press(page, 'Try again')
  await page.waitForFunction(
    () => !document.querySelector<HTMLButtonElement>('[data-test="trouble"] button')?.disabled,
  )
  await waitForText(page, 'The server does not answer.')
  await server.start()
  await flow.press(page, 'Try again')
  await waitForText(page, 'Lena Later')
  expect(await page.$('[data-test="trouble"]')).toBeNull()
  // A script that was on its way when the server went is no fault of the page.
  const faults = floor.page.faults.splice(0)
  expect(faults.filter((fault) => !/dynamically imported module/.test(fault))).toEqual([])
})
