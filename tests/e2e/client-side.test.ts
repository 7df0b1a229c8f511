import { randomUUID } from 'node:crypto'
import type { Browser, BrowserContext, Page } from 'puppeteer-core'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { addDays, isoDateOf } from '#core'
import { openBrowser, openPage, PHONE, visit, waitForText } from './support/browser'
import { call, press, tap, useFloor, violations } from './support/floor'
import { freePort } from '../support/free-port'

/*
 * A client whom nobody measures but she herself: from the link that her coach sends, over four weeks on two phones, to what
 * heads her record. The phones' clocks are set back, so that the weeks are weeks. The tests go on from one another.
 */

const PHONE_AT = '127.0.0.2'
const port = await freePort()
const floor = useFloor({
  env: { OAK_PINCH_GYM_ADDRESSES: PHONE_AT, OAK_PINCH_GYM_PORT: String(port) },
})
const PASSWORD = 'four words in a row'
const origin = `https://${PHONE_AT}:${port}`
const today = isoDateOf(new Date())

let phones: Browser
let closePhones: () => Promise<void>
const devices: BrowserContext[] = []
beforeAll(async () => {
  ;({ browser: phones, close: closePhones } = await openBrowser(undefined, { trusting: true }))
  devices.push(await phones.createBrowserContext(), await phones.createBrowserContext())
})
afterAll(() => closePhones?.())

type Phone = Page & { faults: string[] }

/** A page of a phone whose clock is so many weeks behind. */
async function pageOf(device: BrowserContext, weeksAgo = 0): Promise<Phone> {
  const page = await openPage(device, PHONE)
  for (const [name, value] of [
    ['oak-pinch-mass-unit', 'kg'],
    ['oak-pinch-length-unit', 'cm'],
  ] as const)
    await page.setCookie({ name, value, url: origin })
  await page.evaluateOnNewDocument(
    (behindMs) => {
      const Real = Date
      class Behind extends Real {
        constructor(...given: unknown[]) {
          super(...((given.length ? given : [Real.now() - behindMs]) as [number]))
        }
        static override now = () => Real.now() - behindMs
      }
      globalThis.Date = Behind as DateConstructor
    },
    weeksAgo * 7 * 86_400_000,
  )
  return page
}

const client = randomUUID()
let link: string

async function openLink(page: Page) {
  await page.goto(link)
  await page.waitForSelector('#year')
  // Over what was typed before.
  await page.click('#year', { count: 3 })
  await page.type('#year', '1990')
  await tap(page, 'Open my page')
  await page.waitForSelector('[data-test="week"]')
}

/** Types a week that ends so many weeks ago. */
async function typeWeek(page: Page, weeksAgo: number, kg: number, waist: number) {
  await page.waitForSelector('[data-test="week"]')
  const last = addDays(today, -7 * weeksAgo)
  for (const [i, day] of [addDays(last, -4), addDays(last, -2), last].entries())
    await page.type(`#kg-${day}`, (kg + 0.2 * (1 - i)).toFixed(1))
  await page.type('#waist-1', String(waist))
  await page.type('#waist-2', String(waist + 0.5))
}

/** Until the phone keeps what was typed last. */
const keptOn = (page: Page, text: string) =>
  page.waitForFunction(
    (typed) =>
      new Promise<boolean>((resolve) => {
        const opening = indexedDB.open('oak-pinch-my')
        opening.onsuccess = () => {
          const db = opening.result
          const asked = db.transaction('kept').objectStore('kept').get('draft')
          asked.onsuccess = () => {
            db.close()
            resolve(JSON.stringify(asked.result ?? '').includes(typed))
          }
        }
      }),
    { polling: 50 },
    text,
  )

test('the coach asks for a weekly report, sees what she will see, and makes a link', async () => {
  const { page, server } = floor
  await visit(page, `${server.url}/settings`)
  await page.type('#owner-name', 'Olive Owner')
  await page.type('#owner-password', PASSWORD)
  await Promise.all([page.waitForNavigation(), press(page, 'Set the password')])
  await call(page, 'POST', '/api/clients', {
    ...{ id: client, name: 'Rhea Remote', sex: 'female', birthDate: null, birthYear: 1990 },
    ...{ height: '168 cm', cadenceDays: 28 },
  })
  await visit(page, `${server.url}/clients/${client}/share`)
  await waitForText(page, 'Nobody outside this computer can open a link.')
  await call(page, 'PATCH', '/api/phones', { open: true })

  await visit(page, `${server.url}/clients/${client}/reports`)
  await press(page, 'Ask for a weekly report')
  await waitForText(page, 'Girths to take')
  await press(page, '✓ Abdomen at the navel')
  await press(page, 'Waist, narrowest')
  expect(await violations(page)).toEqual([])
  await page.$eval('[data-test="asks"] button[type="submit"]', (button) => button.click())
  await waitForText(page, 'Saved.')

  await visit(page, `${server.url}/clients/${client}/share`)
  await waitForText(page, 'Rhea sees nothing.')
  await press(page, 'Everything')
  await page.waitForSelector('[data-test="story"]')
  await press(page, 'Make a link')
  await page.waitForSelector('[data-test="link"]')
  expect(await violations(page)).toEqual([])
  link = await page.$eval('[data-test="link"] .figure', (shown) => shown.textContent.trim())
  expect(link).toMatch(new RegExp(`^${origin}/my#[\\w-]{32}$`))
})

test('she opens it by her year of birth; what she typed outlives a reload and the network', async () => {
  const phone = await pageOf(devices[0]!, 3)
  await phone.goto(link)
  await phone.waitForSelector('#year')
  expect(await violations(phone)).toEqual([])
  await phone.type('#year', '1991')
  await tap(phone, 'Open my page')
  await waitForText(phone, 'this is not the one your coach has')
  phone.faults.length = 0
  await openLink(phone)
  expect(await violations(phone)).toEqual([])
  // The key is out of the address.
  expect(phone.url()).toBe(`${origin}/my`)

  await typeWeek(phone, 3, 80, 98)
  await keptOn(phone, '98.5')
  await phone.reload()
  await phone.waitForFunction(
    () => document.querySelector<HTMLInputElement>('#waist-2')?.value === '98.5',
  )
  await phone.setOfflineMode(true)
  await tap(phone, 'Send to Coach')
  await waitForText(phone, 'Kept on this phone. It is sent as soon as there is a network.')
  const waits = await call(floor.page, 'GET', `/api/clients/${client}/weekly-reports`).catch(
    () => undefined,
  )
  expect(waits?.body ?? []).toEqual([])
  await phone.setOfflineMode(false)
  await phone.waitForSelector('[data-test="sent"]')
  // A browser logs every call that finds no network by itself.
  expect(phone.faults.filter((fault) => !/ERR_INTERNET_DISCONNECTED/.test(fault))).toEqual([])
  await phone.close()
})

/** Signs the owner in, on a page that nobody is signed in with. */
async function atDesk(path: string) {
  const { page, server } = floor
  await visit(page, `${server.url}/sign-in`)
  if ((await call(page, 'GET', '/api/me')).body.me === null)
    await call(page, 'POST', '/api/sign-in', { name: 'Olive Owner', password: PASSWORD })
  await visit(page, `${server.url}${path}`)
  return page
}

async function accept() {
  const page = await atDesk(`/clients/${client}/reports`)
  await page.waitForSelector('[data-test="report"][data-state="waiting"]')
  await press(page, 'Accept')
  await waitForText(page, 'No report is waiting.')
}

test('the coach reads it on Today, asks, reads the answer, and accepts it', async () => {
  const desk = await atDesk('/')
  await waitForText(desk, 'Weekly report came in.')
  await visit(desk, `${floor.server.url}/clients/${client}/reports`)
  expect(await violations(desk)).toEqual([])
  await press(desk, 'Ask about it')
  await desk.type('[id^="ask-"]', 'On bare skin?')
  await press(desk, 'Send the question')
  await waitForText(desk, 'You: On bare skin?')

  const phone = await pageOf(devices[0]!, 3)
  await phone.goto(`${origin}/my`)
  await waitForText(phone, 'On bare skin?')
  await phone.type('[id^="answer-"]', 'Yes, in the bathroom.')
  await tap(phone, 'Answer')
  await phone.waitForFunction(() => !document.querySelector('[data-test="asked"]'))
  expect(phone.faults).toEqual([])
  await phone.close()

  await visit(desk, `${floor.server.url}/clients/${client}/reports`)
  await waitForText(desk, 'Client: Yes, in the bathroom.')
  await accept()
})

test('three more weeks, the last two on another phone, head her record, for her and for the coach', async () => {
  for (const [weeksAgo, kg, waist] of [
    [2, 79, 93],
    [1, 78, 88],
    [0, 77, 83],
  ] as const) {
    const phone = await pageOf(devices[weeksAgo === 2 ? 0 : 1]!, weeksAgo)
    if (weeksAgo === 1) await openLink(phone)
    else await phone.goto(`${origin}/my`)
    await typeWeek(phone, weeksAgo, kg, waist)
    // It is far from last week's: she is asked, and may leave it.
    await waitForText(phone, 'Is the tape at the same height?')
    await tap(phone, 'Send to Coach')
    await phone.waitForSelector('[data-test="sent"]')
    expect(phone.faults).toEqual([])
    await phone.close()
    await accept()
  }
  const phone = await pageOf(devices[1]!)
  await phone.goto(`${origin}/my`)
  await phone.waitForSelector('[data-test="story"]')
  const told = await phone.$eval('[data-test="story"]', (story) => story.textContent)
  expect(told).toMatch(/Rhea: .*waist/i)
  expect(await violations(phone)).toEqual([])
  await phone.close()

  const desk = await atDesk(`/clients/${client}`)
  await waitForText(desk, 'Self-measured, 4 days since')
  const shown = await desk.$eval('[data-test="self-measured"]', (part) => part.textContent)
  expect(shown).toMatch(/Waist/)
  expect(shown).toMatch(/clear/)
  expect(await violations(desk)).toEqual([])
})

test('a link that is ended shuts both phones out at once', async () => {
  const desk = await atDesk(`/clients/${client}/share`)
  await waitForText(desk, 'opened, 2 phones signed in')
  await press(desk, 'End it now')
  await waitForText(desk, 'Ended: nobody is in by it any more.')
  for (const device of devices) {
    const phone = await pageOf(device)
    await phone.goto(`${origin}/my`)
    await waitForText(phone, 'Open the link that your coach sent you.')
    await phone.close()
  }
})
