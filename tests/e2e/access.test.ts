import { randomUUID } from 'node:crypto'
import type { BrowserContext, Page } from 'puppeteer-core'
import { afterEach, expect, test } from 'vitest'
import { enter, openPage, PHONE, visit, waitForFocus, waitForText } from './support/browser'
import * as flow from './support/floor'
import { begin, NOW, press, pressOfAccount, useFloor, violations } from './support/floor'

/*
 * One record with an owner, a coach and an assistant, each in a browser of their own. The tests go on from one another:
 * nobody signs in before the first, and everybody does after it.
 */

const floor = useFloor()
const PASSWORD = 'four words in a row'

const contexts: BrowserContext[] = []
afterEach(async () => {
  for (const context of contexts.splice(0)) await context.close()
})

/** Somebody else's browser, with nothing of the others'. */
async function elsewhere(): Promise<Page> {
  const context = await floor.browser.createBrowserContext()
  contexts.push(context)
  return openPage(context)
}

const pathOf = (page: Page) => page.evaluate(() => location.pathname + location.search)
const onPath = (page: Page, path: string) =>
  page.waitForFunction((wanted) => location.pathname + location.search === wanted, {}, path)

async function signIn(page: Page, name: string, password = PASSWORD) {
  await page.waitForSelector('#sign-in-name')
  await page.$eval('#sign-in-name', (field) => ((field as HTMLInputElement).value = ''))
  await page.type('#sign-in-name', name)
  await page.$eval('#sign-in-password', (field) => ((field as HTMLInputElement).value = ''))
  await page.type('#sign-in-password', password)
  await page.keyboard.press('Enter')
}

async function addAccount(page: Page, name: string, role: string) {
  await press(page, 'Add somebody')
  await page.waitForSelector('#account-name')
  await page.type('#account-name', name)
  await press(page, role)
  await page.type('#account-password', PASSWORD)
  await page.$eval('[role="dialog"] button[type=submit]', (b) => (b as HTMLElement).click())
  await waitForText(page, `${name} can sign in now.`)
}

test('the owner sets a password in Settings, and from then on everybody signs in', async () => {
  const { page, server } = floor
  await flow.addClient(server, 'Kept Kestrel')
  await visit(page, `${server.url}/settings`)
  await page.type('#owner-name', 'Olive Owner')
  await page.type('#owner-password', 'qwertyuiop')
  await press(page, 'Set the password')
  await waitForText(page, 'Password: enter one that nobody would guess')
  await page.$eval('#owner-password', (field) => ((field as HTMLInputElement).value = ''))
  await page.type('#owner-password', PASSWORD)
  await Promise.all([page.waitForNavigation(), press(page, 'Set the password')])
  await waitForText(page, 'You are signed in as Olive Owner, owner.')

  // Nor does anybody look around in the made-up club who may not look at the record.
  const stranger = await elsewhere()
  await stranger.setCookie({ name: 'oak-pinch-made-up', value: '1', url: server.url })
  await visit(stranger, `${server.url}/clients`)
  expect(await pathOf(stranger)).toBe('/sign-in?to=/clients')

  const other = await elsewhere()
  await visit(other, `${server.url}/clients?sort=due`)
  expect(await pathOf(other)).toBe('/sign-in?to=/clients?sort=due')
  expect(await violations(other)).toEqual([])
  await signIn(other, 'olive owner', 'not these words')
  await waitForText(other, 'Check the name and the password. They do not belong together.')
  await signIn(other, 'olive owner')
  await onPath(other, '/clients?sort=due')
  await waitForText(other, 'Kept Kestrel')
})

test('each role has its own pages: a coach no backups, an assistant the open check-ins alone', async () => {
  const { server } = floor
  const owner = await elsewhere()
  await visit(owner, `${server.url}/settings`)
  await signIn(owner, 'Olive Owner')
  await onPath(owner, '/settings')
  await visit(owner, `${server.url}/settings`)
  await addAccount(owner, 'Cleo Coach', 'Coach')
  await addAccount(owner, 'Asa Along', 'Assistant')
  expect(await violations(owner)).toEqual([])

  const coach = await elsewhere()
  await visit(coach, `${server.url}/settings`)
  await signIn(coach, 'Cleo Coach')
  await onPath(coach, '/settings')
  await waitForText(coach, 'You are signed in as Cleo Coach, coach.')
  const settings = await coach.evaluate(() => document.body.innerText)
  for (const words of ['Who gets in', 'Backups']) expect(settings).not.toContain(words)

  const assistant = await elsewhere()
  await assistant.setViewport(PHONE)
  await visit(assistant, `${server.url}/`)
  await signIn(assistant, 'Asa Along')
  await onPath(assistant, '/open-check-ins')
  await waitForText(assistant, 'No check-in is open.')
  expect(await assistant.evaluate(() => document.documentElement.scrollWidth)).toBe(PHONE.width)
  await visit(assistant, `${server.url}/clients`)
  expect(await pathOf(assistant)).toBe('/open-check-ins')

  // Signed out by the owner: the next thing that is asked for leads to where one signs in.
  await visit(owner, `${server.url}/settings`)
  await pressOfAccount(owner, 'Sign out Cleo Coach')
  await waitForText(owner, 'That device is signed out.')
  await press(coach, 'Clients')
  await coach.waitForSelector('#sign-in-name')
  expect(await pathOf(coach)).toBe('/sign-in?to=/clients')
})

test('a session that ends in a check-in loses no reading: it waits until somebody signs in', async () => {
  const { server } = floor
  const coach = await elsewhere()
  await visit(coach, `${server.url}/clients`)
  await signIn(coach, 'Cleo Coach')
  await waitForText(coach, 'Kept Kestrel')
  const id = randomUUID()
  await coach.evaluate(
    async (checkIn, day) => {
      const { entries } = await (await fetch('/api/clients')).json()
      const body = {
        ...{ id: checkIn, clientId: entries[0].client.id, measuredOn: day },
        startedAt: new Date().toISOString(),
      }
      const headers = { 'content-type': 'application/json' }
      await fetch('/api/check-ins', { method: 'POST', headers, body: JSON.stringify(body) })
    },
    id,
    flow.todayIs(),
  )
  await coach.goto(`${server.url}/check-in/${id}`)
  await begin(coach)
  await enter(coach, NOW[0]!)
  await waitForText(coach, 'all stored')
  await coach.evaluate(() =>
    fetch('/api/sign-out', { method: 'POST', headers: { 'content-type': 'application/json' } }),
  )
  await enter(coach, NOW[1]!)
  await waitForText(coach, 'Sign in first.')
  const page = await contexts.at(-1)!.newPage()
  await visit(page, `${server.url}/sign-in`)
  await signIn(page, 'Cleo Coach')
  await page.waitForFunction(() => location.pathname === '/')
  await coach.bringToFront()
  await waitForText(coach, 'all stored')
  await waitForFocus(coach, 'reading')
  const values = await page.evaluate(async (checkIn) => {
    const { checkIn: stored } = await (await fetch(`/api/check-ins/${checkIn}`)).json()
    return stored.readings.map(({ value }: { value: number }) => value)
  }, id)
  expect(values).toEqual(NOW.slice(0, 2))
})
