import { afterAll, beforeAll, expect, test } from 'vitest'
import type { Today } from '#shared/contract/today'
import type { Roster } from '#shared/contract/roster'
import { PSEUDO_LOCALE } from '../../scripts/pseudo-locale'
import { DESK, openBrowser, openPage, PHONE, visit } from './support/browser'
import { cutOff } from './support/cut-off'
import { untold } from './support/untold'
import { TestServer } from './support/server'

/* Every page and stage with words two fifths longer, as other languages have them: nothing is cut off at either size. */

let server: TestServer
/** With nobody on record: the welcome. */
let empty: TestServer
let opened: Awaited<ReturnType<typeof openBrowser>>
beforeAll(async () => {
  server = await TestServer.create({ demo: true })
  empty = await TestServer.create()
  opened = await openBrowser(PSEUDO_LOCALE)
})
afterAll(async () => {
  await opened?.close()
  await server?.remove()
  await empty?.remove()
})

const CLIENT = [
  '',
  '/curves',
  '/body-map',
  '/profile',
  '/weigh-ins',
  '/photos',
  '/plan',
  '/plan/change',
  '/plan/sheet',
  ...['/reports', '/notes', '/share'],
]
const PLACES = [
  ...['', 'clients', 'clients/new', 'leaderboards', 'calendar', 'reminders', 'equipment'],
  'equipment/practice',
  'settings',
  ...['reference', 'reference/equations', 'reference/equations/jackson-pollock-7'],
  ...['reference/ranges', 'reference/judging', 'reference/safety', 'reference/nutrients'],
  ...['reference/food-label', 'guide'],
]

/** What the made-up club says in its own words. */
const OWN = [
  ...['Spring regatta challenge', 'two weeks at the sea', 'by the freckle, 1 cm out'],
  ...['just under the mole', 'racing suit zips without help, sleeping well'],
  ...['Lighter by the boat race', 'The boathouse is open from six: which morning suits you?'],
  ...['your {what} was due on {day}.', 'To row in the light boat, and to like the photos of it.'],
  'Hip is fine again. Back to full squats next week.',
]

const SIZES = { 'a laptop': DESK, 'a phone': PHONE }
/** What is looked at of the pages of one test: a slow machine takes long over each. */
const PARTS = ['the places', 'a client’s pages', 'a check-in'] as const

test.each(
  Object.entries(SIZES).flatMap(([name, size]) => PARTS.map((part) => [part, name, size] as const)),
)('nothing of %s is cut off or said in another language on %s', async (part, _, size) => {
  const page = await openPage(opened.browser, size)
  const { entries } = await server.get<Roster>('/api/clients')
  const { id } = entries.find(({ client }) => client.name.startsWith('Tilda'))!.client
  const { measure } = await server.get<Today>('/api/today')
  const checkIn = measure.shown.find(({ open }) => open)!.open!.id
  const faults: string[] = []
  const look = async (path: string) => {
    // Drawn with the rest, so that it can be looked at.
    await page.addStyleTag({ content: '.offscreen { content-visibility: visible !important }' })
    const over = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    )
    if (over > 0) faults.push(`${path} is ${over} px too wide`)
    for (const fault of await cutOff(page)) faults.push(`${path}: ${fault}`)
    for (const text of await untold(page, OWN)) faults.push(`${path} says “${text}”`)
  }
  const paths = {
    'the places': PLACES,
    'a client’s pages': CLIENT.map((of) => `clients/${id}${of}`),
    'a check-in': [],
  }
  for (const path of paths[part]) {
    await visit(page, `${server.url}/${path}`)
    await look(path)
  }
  if (part === 'the places') {
    await visit(page, `${empty.url}/`)
    await look('welcome')
  }
  if (part === 'a check-in') await lookAtStages()
  async function lookAtStages() {
    await visit(page, `${server.url}/check-in/${checkIn}`)
    await page.waitForSelector('nav button[aria-current]')
    const stages = await page.$$('nav[aria-label] button')
    for (const [i, stage] of stages.entries()) {
      await stage.click()
      await page.waitForFunction(
        (at) => document.querySelectorAll('nav[aria-label] button')[at]!.ariaCurrent === 'step',
        {},
        i,
      )
      await look(`stage ${i + 1}`)
    }
  }
  expect(faults).toEqual([])
  expect(page.faults).toEqual([])
  await page.close()
  // Two dozen pages, each measured in full.
})

test('British English has its own dates, spellings and units, from Settings on', async () => {
  const { browser, close } = await openBrowser('en-US')
  const page = await openPage(browser)
  // As on a device on which nothing was chosen yet.
  await page.deleteCookie(
    ...['oak-pinch-mass-unit', 'oak-pinch-length-unit'].map((name) => ({
      name,
      domain: '127.0.0.1',
    })),
  )
  const unitOf = () =>
    page.$$eval('[role=radio][aria-checked=true]', (all) => all.map((e) => e.textContent!.trim()))
  try {
    await visit(page, `${server.url}/settings`)
    expect((await unitOf()).slice(0, 2)).toEqual(['lb', 'in'])
    const reloaded = page.waitForNavigation()
    await page.select('#language', 'en-GB')
    await reloaded
    await visit(page, `${server.url}/settings`)
    expect((await unitOf()).slice(0, 2)).toEqual(['kg', 'cm'])
    expect(await page.$eval('html', (e) => e.lang)).toBe('en-GB')
    // As Unicode's CLDR has them: the day before the month, and no comma after the weekday.
    await visit(page, server.url)
    expect(await page.$eval('main > p', (e) => e.textContent!.trim())).toMatch(/^\w+ \d+ \w+$/)
    await visit(page, `${server.url}/reference/judging`)
    expect(await page.$eval('main', (e) => e.innerText)).toMatch(/They are judgement/)
    expect(page.faults).toEqual([])
  } finally {
    await close()
  }
})
