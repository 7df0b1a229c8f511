import type { Page } from 'puppeteer-core'
import { describe, expect, test, beforeEach } from 'vitest'
import type { Roster } from '#shared/contract/roster'
import { PHONE, visit, waitForFocus, waitForText } from './support/browser'
import * as flow from './support/floor'
import { NOW, useFloor } from './support/floor'
import type { TestServer } from './support/server'
import { inSight, smallTargets } from './support/targets'

const floor = useFloor({ demo: true })
let page: Page
let server: TestServer
beforeEach(async () => {
  ;({ page, server } = floor)
  await page.setViewport(PHONE)
})

const idOf = async (name: string) => {
  const { entries } = await server.get<Roster>('/api/clients')
  return entries.find(({ client }) => client.name.startsWith(name))!.client.id
}

test('the bar of four and More stand within the thumb’s reach, and lead everywhere', async () => {
  await visit(page, `${server.url}/`)
  const bar = await page.$$eval('nav[aria-label="Places"] > *', (all) =>
    all
      .filter((e) => (e as HTMLElement).offsetParent)
      .map((e) => [e.textContent!.trim(), e.getBoundingClientRect().bottom] as const),
  )
  expect(bar.map(([name]) => name)).toEqual(['Today', 'Clients', 'Calendar', 'Reference', 'More'])
  for (const [, bottom] of bar) expect(bottom).toBe(PHONE.height)
  const more = 'nav[aria-label="Places"] > button'
  await page.tap(more)
  await page.waitForSelector(`${more}[aria-expanded=true]`)
  await page.tap('nav[aria-label="Places"] a[href="/equipment"]')
  await page.waitForFunction(() => location.pathname === '/equipment')
  // It is closed again, and says where one is.
  await page.waitForSelector(`${more}[aria-expanded=false]`)
  const settings = await page.$('nav[aria-label="Places"] a[href="/settings"]')
  expect(await settings!.isVisible()).toBe(false)
})

describe('every target is large enough for a thumb', () => {
  test('on the pages of the desk', async () => {
    const bram = await idOf('Bram')
    const plan = await idOf('Tilda')
    const paths = [
      ...['/', '/clients', '/clients/new', '/leaderboards', '/calendar', '/equipment', '/settings'],
      ...[
        '',
        '/curves',
        '/body-map',
        '/profile',
        '/weigh-ins',
        '/photos',
        '/reports',
        '/notes',
        '/share',
      ].map((p) => `/clients/${bram}${p}`),
      '/reminders',
      ...['', '/change', '/sheet'].map((part) => `/clients/${plan}/plan${part}`),
      ...[
        '',
        '/equations',
        '/equations/jackson-pollock-7',
        '/ranges',
        '/judging',
        '/safety',
        '/nutrients',
      ].map((part) => `/reference${part}`),
      ...['/reference/food-label', '/guide'],
    ]
    const small: string[] = []
    for (const path of paths) {
      await visit(page, `${server.url}${path}`)
      for (const target of await smallTargets(page)) small.push(`${path}: ${target}`)
    }
    expect(small).toEqual([])
  })

  test('on every stage of a check-in, and the number comes by the keypad', async () => {
    const id = await flow.secondCheckIn(server, 'Tess Targets')
    await page.goto(`${server.url}/check-in/${id}`)
    await waitForText(page, 'Continue to landmarks')
    const small: string[] = []
    const stages = ['Ready', 'Landmarks', 'Folds', 'Tape', 'Scale', 'Photos', 'Review', 'Result']
    for (const stage of stages) {
      await flow.press(page, stage)
      await page.waitForFunction(
        (name) => document.querySelector('[aria-current=step]')?.textContent?.includes(name),
        {},
        stage,
      )
      for (const target of await smallTargets(page)) small.push(`${stage}: ${target}`)
      if (stage !== 'Folds' && stage !== 'Scale') continue
      const field = stage === 'Folds' ? '#reading' : '#mass'
      expect(await page.$eval(field, (e) => (e as HTMLInputElement).inputMode)).toBe('none')
    }
    expect(small).toEqual([])
  })
})

test('every field of numbers calls the keys of numbers', async () => {
  for (const path of ['/clients/new', '/reference', '/reference/ranges', '/equipment']) {
    await visit(page, `${server.url}${path}`)
    // Fields that are read as numbers are in the figures' own type, or say so by their unit.
    const without = await page.$$eval('input[maxlength="4"], input.figure', (all) =>
      all.filter((e) => !(e as HTMLInputElement).inputMode).map((e) => e.id),
    )
    expect(without, path).toEqual([])
  }
})

test('lying on its side a phone shows the number beside the keypad', async () => {
  const id = await flow.secondCheckIn(server, 'Lara Landscape')
  await page.setViewport({ ...PHONE, width: PHONE.height, height: PHONE.width })
  await page.goto(`${server.url}/check-in/${id}`)
  await flow.begin(page)
  for (const mark of ['#reading', '[data-test="site"]', '[aria-label="Keypad"]']) {
    expect(await inSight(page, mark), mark).toBe(true)
  }
  for (const sign of '9') await flow.tap(page, sign)
  await flow.tap(page, 'Enter')
  await waitForText(page, 'Midaxillary')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(PHONE.height)
  expect((await flow.stored(page, server, id)).readings.map((r) => r.value)).toEqual([NOW[0]])
})

test('it can be put on the home screen', async () => {
  await page.goto(`${server.url}/`)
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
  })
  const client = await page.createCDPSession()
  const { installabilityErrors } = await client.send('Page.getInstallabilityErrors')
  // An incognito window, which a test runs in, installs nothing; there is no other obstacle.
  const others = installabilityErrors.filter(({ errorId }) => errorId !== 'in-incognito')
  expect(others).toEqual([])
  const { errors, data } = await client.send('Page.getAppManifest')
  expect(errors).toEqual([])
  const { icons } = JSON.parse(data!) as { icons: { src: string; sizes: string }[] }
  for (const { src, sizes } of icons.filter((icon) => icon.sizes !== 'any')) {
    const size = await page.evaluate(async (url) => {
      const image = new Image()
      image.src = url
      await image.decode()
      return `${image.naturalWidth}x${image.naturalHeight}`
    }, src)
    expect(size).toBe(sizes)
  }
})

test('one hand takes a check-in from its start to its close', async () => {
  const id = await flow.secondCheckIn(server, 'Otto Onehand')
  await page.goto(`${server.url}/check-in/${id}`)
  const tap = (text: string) => flow.tap(page, text)
  const take = async (value: number | string) => {
    for (const sign of String(value)) await tap(sign)
    await tap('Enter')
  }
  await tap('Continue to landmarks')
  await tap('Continue to folds')
  await waitForFocus(page, 'reading')
  for (const value of [...NOW, ...NOW]) await take(value)
  await waitForFocus(page, 'mass')
  await take('61.6')
  await tap('Continue to result')
  await tap('Close the check-in')
  await page.waitForSelector('[data-test="ledger"]')
})
