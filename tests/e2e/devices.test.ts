import type { Page } from 'puppeteer-core'
import { afterEach, expect, test } from 'vitest'
import { DESK, openPage, PHONE, visit, waitForFocus, waitForText } from './support/browser'
import {
  addClient,
  closeWithSheet,
  openFolds,
  press,
  recordOf,
  startCheckIn,
  tick,
  toResult,
  useFloor,
  viewOf,
  violations,
} from './support/floor'

/*
 * Devices that send their numbers, played by the stand-ins of the Devices page in another window; a real scale is played by
 * what a browser offers a page of it.
 */

const floor = useFloor()
/** A second window of the same browser. */
let other: Page & { faults: string[] }
afterEach(async () => {
  expect(other?.faults ?? []).toEqual([])
  if (other && !other.isClosed()) await other.close()
})

const mass = (page: Page) => page.$eval('#mass', (e) => (e as HTMLInputElement).value)
const setMass = async (page: Page, kg: number) => {
  await page.$eval('#stand-in-mass', (field) => (field as HTMLInputElement).select())
  await page.type('#stand-in-mass', String(kg))
}
const massReading = async (id: string) =>
  (await viewOf(floor.server, id)).checkIn.readings.filter(({ kind }) => kind === 'mass')

/** The Devices page, and a check-in of somebody on record in another window. */
async function besideCheckIn(name: string) {
  const { page, server, browser } = floor
  const { id } = await addClient(server, name)
  await closeWithSheet(server, await startCheckIn(server, id, 14))
  const checkIn = await startCheckIn(server, id)
  await visit(page, `${server.url}/equipment/devices`)
  other = await openPage(browser)
  return { clientId: id, checkInId: checkIn.id }
}

test('who does not stand still is not weighed; a steady weight shows, and the page is open to all', async () => {
  const { page, server } = floor
  await visit(page, `${server.url}/equipment/devices`)
  await tick(page, 'does not stand still')
  await press(page, 'Step on the scale')
  await waitForText(page, 'Stand-in scale could not measure')
  expect(await page.$('[data-test=standing]')).toBeNull()
  await tick(page, 'does not stand still')
  await setMass(page, 70)
  await press(page, 'Step on the monitor')
  await waitForText(page, 'its fat %')
  expect(await page.$eval('[data-test=standing]', (e) => e.textContent)).toBe('70.0 kg')
  await typesHere(page)
  for (const size of [DESK, PHONE]) {
    await page.setViewport(size)
    await visit(page, `${server.url}/equipment/devices`)
    await page.waitForSelector('#typed-trial')
    expect(await violations(page)).toEqual([])
  }
  await page.setViewport(DESK)
  await press(page, 'Disconnect')
  await waitForText(page, 'None is connected')
})

test('a weight lands in the field in hand; somebody else’s is asked about; its fat goes beside the folds', async () => {
  const { page, server } = floor
  const { clientId, checkInId } = await besideCheckIn('Sue Stands')
  await press(page, 'Stand-in monitor')
  await waitForText(page, 'Stand-in monitor is connected')
  await other.goto(`${server.url}/check-in/${checkInId}?stage=scale`)
  await waitForText(other, 'Stand-in monitor is connected')
  await setMass(page, 91)
  await press(page, 'Step on the monitor')
  await waitForText(other, 'Is it Sue Stands who stands on the scale?')
  expect(await mass(other)).toBe('')
  await press(other, 'No')
  await other.waitForFunction(() => !document.body.innerText.includes('Is it Sue'))
  await setMass(page, 62.3)
  await press(page, 'Step on the monitor')
  await waitForText(other, 'sent by Stand-in monitor')
  expect(await mass(other)).toBe('62.30')
  expect(await massReading(checkInId)).toEqual([])
  await press(other, 'Keep its fat %')
  await waitForText(other, 'Kept beside the folds')
  expect((await recordOf(server, clientId)).otherResults).toMatchObject([
    { method: 'bia', device: 'Stand-in monitor', conditions: 'at the check-in' },
  ])
  await waitForFocus(other, 'mass')
  await other.keyboard.press('Enter')
  await waitForText(other, 'all stored')
  await other.waitForSelector('[data-test=sent-by]')
  expect(await massReading(checkInId)).toMatchObject([
    { value: 62.3, typedText: '62.30', sentBy: 'Stand-in monitor' },
  ])
  await toResult(other)
})

test('a weight that a hand has changed is the hand’s', async () => {
  const { page, server } = floor
  const { checkInId } = await besideCheckIn('Ha Hand')
  await press(page, 'Stand-in scale')
  await waitForText(page, 'Stand-in scale is connected')
  await other.goto(`${server.url}/check-in/${checkInId}?stage=scale`)
  await waitForText(other, 'Stand-in scale is connected')
  await setMass(page, 62.3)
  await press(page, 'Step on the scale')
  await waitForText(other, 'sent by Stand-in scale')
  await waitForFocus(other, 'mass')
  await other.keyboard.press('Backspace')
  await other.keyboard.type('5')
  await other.keyboard.press('Enter')
  await other.waitForSelector('[data-test=read-back]')
  await waitForText(other, 'all stored')
  expect(await massReading(checkInId)).toMatchObject([{ value: 62.35, sentBy: null }])
})

/** A choice of the device, which the tests before may have made. */
async function typesHere(page: Page) {
  const isOn = await page.$eval('[data-test=typing] input', (e) => (e as HTMLInputElement).checked)
  if (!isOn) await tick(page, 'One types into this device')
  await page.waitForSelector('#typed-trial')
}

/** The keys of values, one after the other in no time, as instruments type them into every window that listens. */
const typeValues = (page: Page, ...values: string[]) =>
  page.evaluate((all) => {
    const to = new BroadcastChannel('oak-pinch-keys')
    for (const text of all) to.postMessage([...text, 'Enter'].map((key, i) => ({ key, at: i * 5 })))
    to.close()
  }, values)
const sentIs = (page: Page, words: string) =>
  page.waitForFunction(
    (wanted) => document.querySelector('[data-test=sent]')?.textContent?.includes(wanted),
    {},
    words,
  )
const folds = async (id: string) =>
  (await viewOf(floor.server, id)).checkIn.readings
    .filter(({ kind }) => kind === 'skinfold')
    .map(({ value, sentBy }) => [value, sentBy])

test('a caliper that types: the last number while its jaws move, once what it sends twice', async () => {
  const { page, server } = floor
  const { checkInId } = await besideCheckIn('Cal Iper')
  await typesHere(page)
  await openFolds(other, server, checkInId)
  await typeValues(page, '14.8', '13.1', '12.4')
  await sentIs(other, '12.4 was sent, and taken')
  await waitForText(other, 'all stored')
  const { gym } = await viewOf(server, checkInId)
  const caliper = gym.instruments.find(({ id }) => id === gym.settings.caliperId)!.name
  expect(await folds(checkInId)).toEqual([[12.4, caliper]])

  await tick(page, 'sends everything twice')
  await press(page, 'Close the jaws')
  await press(page, 'Send what it reads')
  await sentIs(other, 'was sent twice')
  await other.waitForFunction(
    () => (document.querySelector('#reading') as HTMLInputElement).value === '',
  )
  await waitForText(other, 'all stored')
  expect(await folds(checkInId)).toHaveLength(2)

  // No reading is open on the way to the result: nothing is lost without a word.
  await press(other, 'Review')
  await other.waitForSelector('[data-test=read-back]')
  await typeValues(page, '11.1')
  await sentIs(other, 'no reading is open here')
  expect(await folds(checkInId)).toHaveLength(2)
})

/** Presses keys with times of their own, as an instrument or a hand would have pressed them. */
async function pressAt(page: Page, keys: readonly string[], apart: number) {
  const session = await page.createCDPSession()
  let timestamp = Date.now() / 1000
  for (const key of keys) {
    const enter = key === 'Enter'
    const of = enter
      ? { key, code: 'Enter', windowsVirtualKeyCode: 13, text: '\r' }
      : { key, text: key }
    await session.send('Input.dispatchKeyEvent', { type: 'keyDown', ...of, timestamp })
    await session.send('Input.dispatchKeyEvent', { type: 'keyUp', key, timestamp })
    timestamp += apart / 1000
  }
  await session.detach()
}

test('real keys: in the field or anywhere else, and a hand types on as before', async () => {
  const { page, server } = floor
  const { checkInId } = await besideCheckIn('Kay Board')
  await typesHere(page)
  await openFolds(other, server, checkInId)
  await other.bringToFront()
  const burst = ['1', '2', '.', '4', 'Enter']
  await waitForFocus(other, 'reading')
  await pressAt(other, burst, 8)
  await sentIs(other, '12.4 was sent, and taken')
  // The focus is on a link of the rail: the field takes it all the same.
  await other.focus('header a')
  await pressAt(other, ['1', '0', '.', '2', 'Enter'], 8)
  await sentIs(other, '10.2 was sent, and taken')
  await waitForFocus(other, 'reading')
  await pressAt(other, ['9', 'Enter'], 120)
  await other.waitForFunction(() => !document.querySelector('[data-test=sent]'))
  await waitForText(other, 'all stored')
  expect((await folds(checkInId)).map(([value]) => value)).toEqual([12.4, 10.2, 9])
})

/** What a browser offers a page of a scale: played in the page, packet by packet. */
function pretendScale() {
  const characteristic = Object.assign(new EventTarget(), {
    value: undefined as DataView | undefined,
    startNotifications: () => Promise.resolve(characteristic),
  })
  const service = { getCharacteristic: () => Promise.resolve(characteristic) }
  let reachable = true
  const server = {
    getPrimaryService: (id: number) =>
      id === 0x181d
        ? Promise.resolve(service)
        : Promise.reject(new DOMException('', 'NotFoundError')),
  }
  const device = Object.assign(new EventTarget(), {
    name: 'Scale of the test',
    gatt: {
      connect: () =>
        reachable ? Promise.resolve(server) : Promise.reject(new DOMException('Out of range.')),
      disconnect: () => undefined,
    },
  })
  const asked: unknown[] = []
  const bluetooth = {
    requestDevice: (options: unknown) => (asked.push(options), Promise.resolve(device)),
    getDevices: () => Promise.resolve([device]),
  }
  Object.defineProperty(navigator, 'bluetooth', { value: bluetooth })
  const scale = {
    asked,
    send(bytes: number[]) {
      characteristic.value = new DataView(Uint8Array.from(bytes).buffer)
      characteristic.dispatchEvent(new Event('characteristicvaluechanged'))
    },
    goAway() {
      reachable = false
      device.dispatchEvent(new Event('gattserverdisconnected'))
    },
    comeBack: () => (reachable = true),
  }
  Object.assign(window, { scale })
}
type Pretended = {
  scale: {
    asked: unknown[]
    send(bytes: number[]): void
    goAway(): void
    comeBack(): void
  }
}

test('a real scale is chosen, heard, lost and found again', async () => {
  const { page, server } = floor
  await page.evaluateOnNewDocument(pretendScale)
  await visit(page, `${server.url}/equipment/devices`)
  await press(page, 'Connect a scale or monitor')
  await waitForText(page, 'Scale of the test is connected')
  const asked = await page.evaluate(() => (window as unknown as Pretended).scale.asked)
  expect(asked).toEqual([{ filters: [{ services: [0x181d] }, { services: [0x181b] }] }])
  const send = (...bytes: number[]) =>
    page.evaluate((all) => (window as unknown as Pretended).scale.send(all), bytes)
  await send(0x00, 0xff)
  await waitForText(page, 'cannot be read')
  await send(0x00, 0xff, 0xff)
  await waitForText(page, 'could not measure')
  // 14,000 steps of 5 g.
  await send(0x00, 0xb0, 0x36)
  await page.waitForFunction(() =>
    [...document.querySelectorAll('[role=status]')].some((e) => e.textContent?.trim() === 'steady'),
  )
  expect(await page.$eval('[data-test=standing]', (e) => e.textContent)).toBe('70.0 kg')
  await page.evaluate(() => (window as unknown as Pretended).scale.goAway())
  await waitForText(page, 'out of reach')
  await page.evaluate(() => (window as unknown as Pretended).scale.comeBack())
  await waitForText(page, 'steady')

  // The check-in has it again without asking, where the browser still lets it.
  const { id } = await addClient(server, 'Rea Scale')
  const checkIn = await startCheckIn(server, id)
  await page.goto(`${server.url}/check-in/${checkIn.id}?stage=scale`)
  await waitForText(page, 'Scale of the test is connected')
  // Weighed in the morning of another day, by its own clock.
  await send(0x02, 0xb0, 0x36, 0xe6, 0x07, 3, 2, 7, 5, 9)
  await waitForText(page, 'by the clock of the scale')
  expect(await mass(page)).toBe('')
  await press(page, 'Yes, take it')
  await page.waitForFunction(
    () => (document.querySelector('#mass') as HTMLInputElement).value !== '',
  )
  expect(await mass(page)).toBe('70.00')
})
