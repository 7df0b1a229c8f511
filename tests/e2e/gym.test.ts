import { randomUUID, X509Certificate } from 'node:crypto'
import { connect } from 'node:tls'
import type { IncomingHttpHeaders } from 'node:http'
import { request } from 'node:https'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, expect, test } from 'vitest'
import {
  enter,
  openBrowser,
  openPage,
  PHONE,
  visit,
  waitForFocus,
  waitForText,
} from './support/browser'
import * as flow from './support/floor'
import { begin, call, press, pressOfAccount, useFloor, violations, weighIn } from './support/floor'
import { freePort } from '../support/free-port'

/*
 * A gym: the computer at the desk on 127.0.0.1, and two phones that come by other addresses of the loopback interface
 * over HTTPS. The tests go on from one another.
 */

const [PHONE_AT, TABLET_AT] = ['127.0.0.2', '127.0.0.3']
const port = await freePort()
const floor = useFloor({
  env: {
    OAK_PINCH_GYM_ADDRESSES: `${PHONE_AT},${TABLET_AT}`,
    OAK_PINCH_GYM_PORT: String(port),
  },
})
const PASSWORD = 'four words in a row'

let phones: Browser
let closePhones: () => Promise<void>
beforeAll(async () => {
  ;({ browser: phones, close: closePhones } = await openBrowser(undefined, { trusting: true }))
})
afterAll(() => closePhones?.())

const urlOf = (address: string) => `https://${address}:${port}`

/** A phone of its own, which reads kg and cm. */
async function phoneAt(address: string): Promise<Page & { faults: string[] }> {
  const page = await openPage(await phones.createBrowserContext(), PHONE)
  for (const [name, value] of [
    ['oak-pinch-mass-unit', 'kg'],
    ['oak-pinch-length-unit', 'cm'],
  ] as const)
    await page.setCookie({ name, value, url: urlOf(address) })
  return page
}

const tls = (address: string, ca: string) =>
  new Promise<{ fingerprint: string; authorized: boolean }>((resolve, reject) => {
    const socket = connect({ host: address, port, ca }, () => {
      resolve({
        fingerprint: socket.getPeerCertificate().fingerprint256,
        authorized: socket.authorized,
      })
      socket.end()
    })
    socket.once('error', reject)
  })

/** Asks by the door, as a program that trusts anybody. */
const ask = (path: string, headers: Record<string, string> = {}) =>
  new Promise<{ status: number; headers: IncomingHttpHeaders; body: string }>((resolve, reject) => {
    const sent = request(
      `${urlOf(PHONE_AT)}${path}`,
      { headers, rejectUnauthorized: false },
      (response) => {
        let body = ''
        response.on('data', (part) => (body += part))
        response.on('end', () =>
          resolve({ status: response.statusCode!, headers: response.headers, body }),
        )
      },
    )
    sent.once('error', reject)
    sent.end()
  })

const onPath = (page: Page, path: string) =>
  page.waitForFunction((wanted) => location.pathname === wanted, {}, path)

test('the owner lets phones in; the door shows what it is known by, and nothing to who is not signed in', async () => {
  const { page, server } = floor
  await flow.addClient(server, 'Kept Kestrel')
  await expect(ask('/')).rejects.toThrow(/ECONNREFUSED/)
  await visit(page, `${server.url}/settings`)
  await page.type('#owner-name', 'Olive Owner')
  await page.type('#owner-password', PASSWORD)
  await Promise.all([page.waitForNavigation(), press(page, 'Set the password')])
  // Come to with the pointer: what the server has drawn answers only then.
  await visit(page, `${server.url}/settings`)
  await waitForText(page, 'Only this computer gets in.')
  await press(page, 'Let phones in')
  await waitForText(page, 'Phones can come in now.')
  expect(await violations(page)).toEqual([])
  expect(
    await page.$$eval('[data-test="phones-address"]', (all) =>
      all.map((a) => a.textContent.trim()),
    ),
  ).toEqual([urlOf(PHONE_AT), urlOf(TABLET_AT)])
  const shown = await page.$eval('[data-test="fingerprint"]', (e) => e.textContent.trim())

  const root = (await ask('/api/phones/certificate')).body
  // RFC 5280: a certificate authority of its own, and good for nothing but that.
  expect(new X509Certificate(root).ca).toBe(true)
  for (const address of [PHONE_AT, TABLET_AT])
    expect(await tls(address, root)).toEqual({ fingerprint: shown, authorized: true })

  expect((await ask('/api/clients')).status).toBe(401)
  for (const path of ['/', '/sign-in', '/api/me'])
    expect((await ask(path)).headers['cache-control'], path).toBe('no-store')
  expect((await ask('/api/me')).body).toBe('{"signIn":true,"me":null}')
  // By a name that somebody else pointed here, and from a page of another site.
  expect((await ask('/', { host: 'evil.example' })).status).toBe(421)
  expect((await ask('/api/me', { origin: 'https://evil.example' })).status).toBe(403)
  // The looking around in the made-up club is for who may look at the record.
  expect((await ask('/api/clients', { cookie: 'oak-pinch-made-up=1' })).status).toBe(401)
})

let phone: Page & { faults: string[] }
let tablet: Page & { faults: string[] }

test('a code shown at the desk lets a phone in as somebody, once, without a password', async () => {
  const { page, server } = floor
  await visit(page, `${server.url}/settings`)
  for (const [name, role] of [
    ['Cleo Coach', 'coach'],
    ['Asa Along', 'assistant'],
  ])
    await call(page, 'POST', '/api/access/accounts', {
      ...{ id: randomUUID(), name, role, personId: null, password: PASSWORD },
    })
  await visit(page, `${server.url}/settings`)
  await pressOfAccount(page, 'Add a device Cleo Coach')
  await page.waitForSelector('#device-name')
  expect(await page.$eval('#device-name', (f) => (f as HTMLInputElement).value)).toBe(
    'Cleo’s phone',
  )
  await press(page, 'Show the code')
  await page.waitForSelector('[role="img"]')
  expect(await violations(page)).toEqual([])
  const [address] = await page.$$eval('[data-test="pairing"]', (all) =>
    all.map((a) => a.textContent.trim()),
  )
  expect(address).toMatch(new RegExp(`^${urlOf(PHONE_AT)}/pair#[\\w-]{22}$`))

  phone = await phoneAt(PHONE_AT)
  await visit(phone, address!)
  expect(await violations(phone)).toEqual([])
  await press(phone, 'Sign in on this device')
  await onPath(phone, '/')
  await waitForText(phone, 'Kept Kestrel')
  const session = (await phone.cookies()).find(({ name }) => name.includes('session_token'))!
  expect(session).toMatchObject({ secure: true, httpOnly: true, sameSite: 'Lax' })
  expect((await call(phone, 'GET', '/api/me')).body.me).toMatchObject({ name: 'Cleo Coach' })

  const other = await phoneAt(PHONE_AT)
  await visit(other, address!)
  await press(other, 'Sign in on this device')
  await waitForText(other, 'Show a new code. This one was used')
  await other.close()

  await visit(page, `${server.url}/settings`)
  await waitForText(page, 'Cleo’s phone, last used')

  // And one with a password, on another address.
  tablet = await phoneAt(TABLET_AT)
  await visit(tablet, `${urlOf(TABLET_AT)}/trust`)
  await waitForText(tablet, 'Why the phone warns')
  expect(await violations(tablet)).toEqual([])
  await visit(tablet, `${urlOf(TABLET_AT)}/`)
  await tablet.type('#sign-in-name', 'Asa Along')
  await tablet.type('#sign-in-password', PASSWORD)
  await tablet.keyboard.press('Enter')
  await onPath(tablet, '/open-check-ins')
})

const id = randomUUID()
const FOLDS = [12, 10, 18.5, 14, 11, 16, 20] as const
const values = async () => {
  const { body } = await call(phone, 'GET', `/api/check-ins/${id}`)
  return (body.checkIn.readings as { kind: string; trial: number; value: number }[])
    .filter(({ kind }) => kind === 'skinfold')
    .map(({ trial, value }) => `${trial}: ${value}`)
}

test('two devices type one check-in, each sees the other, through a kill -9 and half a minute without a network', async () => {
  const { server } = floor
  const { entries } = (await call(phone, 'GET', '/api/clients')).body
  await call(phone, 'POST', '/api/check-ins', {
    ...{ id, clientId: entries[0].client.id, measuredOn: flow.todayIs() },
    startedAt: new Date().toISOString(),
  })
  await phone.bringToFront()
  await phone.goto(`${urlOf(PHONE_AT)}/check-in/${id}`)
  await begin(phone)
  await enter(phone, FOLDS[0])
  await waitForText(phone, 'all stored')

  await tablet.bringToFront()
  await visit(tablet, `${urlOf(TABLET_AT)}/open-check-ins`)
  await press(tablet, 'Kept Kestrel')
  await onPath(tablet, `/caller/${id}`)
  await waitForText(tablet, /\blive\b/)
  // What the phone took stands on the tablet; the coach calls the next, and the tablet types it.
  await tablet.waitForFunction(() =>
    document.querySelector('[data-test="heard"]')?.textContent?.includes('12.0'),
  )
  const site = () => tablet.$eval('[data-test="caller-site"]', (e) => e.textContent.trim())
  const second = await site()
  await waitForFocus(tablet, 'called')
  await enter(tablet, '999')
  await tablet.waitForFunction(() =>
    document.querySelector('#called-problem')!.textContent.includes('999'),
  )
  expect(await site()).toBe(second)
  await enter(tablet, FOLDS[1], true)
  await tablet.waitForFunction(
    (before) => document.querySelector('[data-test="caller-site"]')!.textContent.trim() !== before,
    {},
    second,
  )
  expect(await violations(tablet)).toEqual([])
  const third = await site()
  await phone.bringToFront()
  await phone.waitForFunction(
    (wanted) => document.querySelector('[data-test="site"]')!.textContent.trim() === wanted,
    {},
    third,
  )

  // The gym's computer dies; both go on, and it comes back.
  await server.kill()
  await enter(phone, FOLDS[2])
  await waitForText(phone, '1 reading kept here, waiting for the server')
  await server.start({ anyAnswer: true })
  await waitForText(phone, 'all stored')
  await tablet.bringToFront()
  await tablet.waitForFunction(() =>
    document.querySelector('[data-test="heard"]')?.textContent?.includes('18.5'),
  )

  // Half a minute without a network on the phone: it types on.
  await phone.bringToFront()
  const lost = Date.now()
  await phone.setOfflineMode(true)
  for (const fold of FOLDS.slice(3, 6)) await enter(phone, fold)
  await waitForText(phone, '3 readings kept here, waiting for the server')
  await phone.waitForFunction((until) => Date.now() > until, {}, lost + 30_000)
  await phone.setOfflineMode(false)
  await waitForText(phone, 'all stored')
  expect(await values()).toEqual(FOLDS.slice(0, 6).map((value) => `1: ${value}`))
  await tablet.bringToFront()
  await tablet.waitForFunction(() =>
    document.querySelector('[data-test="heard"]')?.textContent?.includes('16.0'),
  )
})

test('the phone takes the rest and closes it; the desk reads the result', async () => {
  await phone.bringToFront()
  await waitForFocus(phone, 'reading')
  await enter(phone, FOLDS[6])
  for (const fold of FOLDS) await enter(phone, fold)
  await weighIn(phone, '80')
  await press(phone, 'Close the check-in')
  await phone.waitForFunction(() => !location.pathname.startsWith('/check-in'))
  expect((await values()).length).toBe(14)
  expect((await call(phone, 'GET', `/api/check-ins/${id}`)).body.checkIn.closedAt).not.toBeNull()
  // The one who typed sees nothing of it any more.
  expect((await call(tablet, 'GET', `/api/check-ins/${id}/caller`)).status).toBe(404)
  expect([...phone.faults, ...tablet.faults]).toEqual([])
})

test('a phone that is signed out at the desk is out at once; shut, nobody comes in by the door', async () => {
  const { page, server } = floor
  await visit(page, `${server.url}/settings`)
  if (await page.$('#sign-in-name')) {
    await page.type('#sign-in-name', 'Olive Owner')
    await page.type('#sign-in-password', PASSWORD)
    await page.keyboard.press('Enter')
    await onPath(page, '/settings')
  }
  await pressOfAccount(page, 'Sign out Cleo Coach')
  await waitForText(page, 'That device is signed out.')
  expect((await call(phone, 'GET', '/api/clients')).status).toBe(401)
  await press(page, 'Stop letting phones in')
  await waitForText(page, 'Phones are shut out.')
  await expect(ask('/')).rejects.toThrow(/ECONNREFUSED/)
})
