import type { Browser, BrowserContext } from 'puppeteer-core'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { addDays, isoDateOf } from '#core'
import type { Reminders } from '#shared/contract/reminders'
import { freePort } from '../support/free-port'
import { startMailServer } from '../support/mail-server'
import { DESK, openBrowser, openPage, PHONE, textOf, visit, waitForText } from './support/browser'
import { call, press, tap, tick, useFloor, violations } from './support/floor'

/*
 * Reminders as a coach sets them up, the mail that goes out by the clock, the one tap that stops them; and a leaderboard
 * on a screen that nobody is signed in on. The tests go on from one another.
 */

const post = await startMailServer()
const PHONE_AT = '127.0.0.2'
const port = await freePort()
const floor = useFloor({
  env: {
    ...{ OAK_PINCH_GYM_ADDRESSES: PHONE_AT, OAK_PINCH_GYM_PORT: String(port) },
    ...{ SMTP_URL: post.url, OAK_PINCH_MAIL_FROM: 'coach@oak-pinch.example' },
  },
})
const today = isoDateOf(new Date())

let others: Browser
let closeOthers: () => Promise<void>
let device: BrowserContext
beforeAll(async () => {
  ;({ browser: others, close: closeOthers } = await openBrowser(undefined, { trusting: true }))
  device = await others.createBrowserContext()
})
afterAll(async () => {
  await closeOthers?.()
  await post.close()
})

/** What the API answers the browser that is signed in. */
const asked = (path: string) =>
  floor.page.evaluate(async (address) => (await fetch(address)).json() as unknown, path)

async function addClient(name: string, inDays: number, email: string) {
  const { page } = floor
  const id = crypto.randomUUID()
  await call(page, 'POST', '/api/clients', {
    ...{ id, name, sex: 'female', birthDate: null, birthYear: 1990, height: '168 cm' },
    cadenceDays: 28,
  })
  await call(page, 'PATCH', `/api/clients/${id}`, { nextDueOn: addDays(today, inDays) })
  await call(page, 'PATCH', `/api/clients/${id}/details`, { email })
  return id
}

test('the coach sets the words and turns mails on; they go out by the clock, once', async () => {
  const { page, server } = floor
  await visit(page, `${server.url}/settings`)
  await page.type('#owner-name', 'Olive Owner')
  await page.type('#owner-password', 'four words in a row')
  await Promise.all([page.waitForNavigation(), press(page, 'Set the password')])
  await call(page, 'PATCH', '/api/phones', { open: true })
  await addClient('Mo Mail', 1, 'mo@example.org')
  await addClient('Cy Copy', -4, '')

  await visit(page, `${server.url}/calendar`)
  await Promise.all([page.waitForNavigation(), press(page, 'Reminders')])
  await waitForText(page, 'To remind of today')
  expect(await textOf(page, 'due')).toMatch(
    /Cy Copy[\s\S]*was due[\s\S]*Mo Mail[\s\S]*check-in due/,
  )
  expect(await violations(page)).toEqual([])

  // A field that there is none of is named, and what was typed stays.
  await tick(page, 'Send them by mail')
  await page.select('#quiet-from', '0')
  await page.select('#quiet-until', '0')
  const subject = '#check-in-due-subject'
  await page.click(subject, { count: 3 })
  await page.type(subject, 'See you {when}')
  await press(page, 'Save')
  await waitForText(page, 'no words in braces but {name}')
  await page.click(subject, { count: 3 })
  await page.type(subject, 'See you {day}, {name}')
  await press(page, 'Save')
  await waitForText(page, 'Saved.')
  await waitForText(page, 'A mail goes out within a minute.')
  await waitForText(page, 'No email on file: copy the text.')

  // What has no address is said by the coach, and is done with.
  await page.evaluate(() => {
    const rows = [...document.querySelectorAll('[data-test=due] li')]
    const row = rows.find((li) => li.textContent!.includes('Cy Copy'))!
    ;[...row.querySelectorAll('button')].find((b) => b.textContent!.trim() === 'Done')!.click()
  })
  await waitForText(page, 'Noted: Cy Copy has been reminded.')
  await page.waitForFunction(
    () => !document.querySelector('[data-test=due] ul')!.textContent!.includes('Cy Copy'),
  )

  // By the clock: each full minute.
  await expect.poll(() => post.mails.length, { interval: 200 }).toBe(1)
  expect(post.mails[0]!.subject).toMatch(/^See you \w+, \w+ \d+, Mo$/)
  await expect
    .poll(async () => ((await asked('/api/reminders')) as Reminders).log.map(({ state }) => state))
    .toEqual(['sent', 'copied'])
})

test('one tap in the mail stops them, another brings them back', async () => {
  const link = /https:\S+\/stop#\S+/.exec(post.mails[0]!.text!)![0]
  const phone = await openPage(device, PHONE)
  await phone.goto(link)
  await waitForText(phone, 'You get no more reminders by mail.')
  expect(await violations(phone)).toEqual([])
  const { page, server } = floor
  await visit(page, `${server.url}/reminders`)
  await addClient('Una Due', 0, 'una@example.org')
  const { entries } = (await asked('/api/clients?search=Mo')) as {
    entries: { client: { id: string } }[]
  }
  await visit(page, `${server.url}/clients/${entries[0]!.client.id}/notes`)
  const box = await page.evaluate(
    () =>
      [...document.querySelectorAll('label')]
        .find((label) => label.textContent!.includes('Reminders by mail'))!
        .querySelector('input')!.checked,
  )
  expect(box).toBe(false)
  await tap(phone, 'I want them after all')
  await waitForText(phone, 'You get reminders by mail again.')
  // What leads nowhere says so.
  await phone.goto('about:blank')
  await phone.goto(`${link.split('#')[0]}#made-up`)
  await waitForText(phone, 'There is no mail of ours with this address.')
  await phone.close()
})

test('a screen on the wall shows a leaderboard without anybody signed in, until the link is ended', async () => {
  const { page, server } = floor
  const board = crypto.randomUUID()
  await visit(page, `${server.url}/leaderboards`)
  const { entries } = (await asked('/api/clients')) as { entries: { client: { id: string } }[] }
  await call(page, 'POST', '/api/leaderboards', {
    ...{ id: board, name: 'Lock to lock', measure: 'bodyMass' },
    ...{ startsOn: addDays(today, -60), endsOn: today },
    clientIds: entries.map(({ client }) => client.id),
  })
  await visit(page, `${server.url}/leaderboards/${board}`)
  await press(page, 'Make a link for a screen')
  await page.waitForSelector('[data-test=link]')
  const link = /https:\S+\/wall#\S+/.exec(await textOf(page, 'link'))![0]
  const screen = await openPage(device, DESK)
  await screen.goto(link)
  await waitForText(screen, 'Lock to lock')
  await waitForText(screen, 'Nobody can be ranked yet.')
  expect(await violations(screen)).toEqual([])
  // Closed on its last day, it is there to print.
  await press(page, 'Close with this result')
  await waitForText(page, 'This is the result; later check-ins do not change it.')
  await Promise.all([page.waitForNavigation(), press(page, 'Page to print')])
  await waitForText(page, 'Result, closed')
  expect(await violations(page)).toEqual([])
  await visit(page, `${server.url}/leaderboards/${board}`)
  await press(page, 'End the link')
  await waitForText(page, 'the screen shows nothing any more')
  await screen.reload()
  await waitForText(screen, 'This screen’s link is over.')
  await screen.close()
})
