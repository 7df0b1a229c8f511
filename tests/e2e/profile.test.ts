import { expect, test } from 'vitest'
import { protocolById } from '#core'
import type { Roster } from '#shared/contract/roster'
import { enter, PHONE, openPage, textOf, visit, waitForFocus, waitForText } from './support/browser'
import * as flow from './support/floor'
import { begin, press, useFloor, weighIn } from './support/floor'

/* The whole profile: taken on the floor with its breadths, and read on its page. */

const floor = useFloor({ demo: true })

const RESTRICTED = protocolById('restricted-profile')
/* Of a woman of 168 cm and 62 kg, invented for testing. */
const FOLDS = [14, 12, 7, 16, 11, 17, 17, 10]
const GIRTHS = [28, 29, 74, 98, 36]
const BREADTHS = [6.3, 9]

test('a restricted profile is taken with its breadths, and its somatotype stands on its page', async () => {
  const { page, server } = floor
  const { id: clientId } = await flow.addClient(server, 'Prue Profile')
  const { id } = await flow.startCheckIn(server, clientId, 0, { protocolId: RESTRICTED.id })
  await page.goto(`${server.url}/check-in/${id}`)
  await begin(page)
  for (const value of [...FOLDS, ...FOLDS]) await enter(page, value)
  await page.waitForFunction(() => location.search.includes('stage=tape'))
  for (const value of [...GIRTHS, ...GIRTHS]) await enter(page, value)
  await page.waitForFunction(() => location.search.includes('stage=bones'))
  await waitForFocus(page, 'reading')
  expect(await textOf(page, 'site')).toBe('Elbow breadth')
  // Millimeters in place of centimeters are no elbow: refused in words, and nothing is lost.
  await enter(page, 63)
  await waitForText(page, 'Elbow breadth: enter 3.5 cm to 11.0 cm. Got “63”.')
  await enter(page, BREADTHS[0]!, true)
  for (const value of [BREADTHS[1]!, ...BREADTHS]) await enter(page, value)
  await weighIn(page, '62')
  await press(page, 'Close the check-in')
  await page.waitForFunction(() => location.pathname.startsWith('/clients/'))
  const { readings } = (await flow.viewOf(server, id)).checkIn
  expect(
    readings.filter(({ kind }) => kind === 'breadth').map(({ site, value }) => [site, value]),
  ).toEqual([
    ...[
      ['humerus', 6.3],
      ['femur', 9],
      ['humerus', 6.3],
      ['femur', 9],
    ],
  ])

  await visit(page, `${server.url}/clients/${clientId}/profile`)
  await page.waitForSelector('[data-test="somatochart"]')
  /*
   * x = 37 170.18 / 168 = 37.480: -0.7182 + 0.1451 x - 0.00068 x^2 + 0.0000014 x^3 = 3.84.
   * 0.858 6.3 + 0.601 9 + 0.188 (29 - 1.4) + 0.161 (36 - 1) - 0.131 168 + 4.5 = 4.13.
   * 168 / 62^(1/3) = 42.447: 0.732 42.447 - 28.58 = 2.49.
   */
  const ratings = (await textOf(page, 'ratings')).replace(/\s+/g, ' ')
  expect(ratings).toMatch(/3\.8 ± 0\.\d.* 4\.1 ± 0\.\d.* 2\.5 ± 0\.\d.* mesomorph-endomorph/)
  // What four and five masses want besides is said.
  expect(await textOf(page, 'wanting')).toMatch(/Four masses[^]*chest girth/)
  await press(page, 'Distance from a reference')
  for (const [component, rating] of Object.entries({
    endomorphy: 3.8,
    mesomorphy: 4.1,
    ectomorphy: 4.5,
  }))
    await page.type(`#reference-${component}`, String(rating))
  await waitForText(page, '2.0 units from the reference.')
})

test('a rower’s somatotype has moved, clearly, and the masses of the parts are near the scale', async () => {
  const { server } = floor
  const phone = await openPage(floor.browser, PHONE)
  const { entries } = await server.get<Roster>('/api/clients?search=perrin')
  await visit(phone, `${server.url}/clients/${entries[0]!.client.id}/profile`)
  await phone.waitForSelector('[data-test="masses"]')
  expect(await textOf(phone, 'move')).toMatch(
    /Endomorphy −\d\.\d \(more than the measuring explains\), Mesomorphy \+0\.\d \(more than/,
  )
  const off = [...(await textOf(phone, 'masses')).matchAll(/\(([+−]?)(\d\.\d)%\)/g)]
  expect(off).toHaveLength(3)
  for (const [, , percent] of off) expect(Number(percent)).toBeLessThan(5)
  await press(phone, 'Proportions (Phantom z)')
  await waitForText(phone, 'Elbow breadth')
  // The day before last has its own.
  const [, before] = await phone.$$eval('#profile-day option', (all) => all.map((o) => o.value))
  const masses = await textOf(phone, 'masses')
  await phone.select('#profile-day', before!)
  await phone.waitForFunction(
    (then) => document.querySelector<HTMLElement>('[data-test="masses"]')!.innerText !== then,
    {},
    masses,
  )
  expect(phone.faults).toEqual([])
  await phone.close()
})

test('an equation is found by its words and by what was measured, and is kept as a favorite', async () => {
  const { page, server } = floor
  await visit(page, `${server.url}/reference/equations`)
  await page.type('#equation-search', 'wrestlers')
  await waitForText(page, '1 equation')
  await waitForText(page, 'Lohman, wrestlers')
  await page.click('button[aria-label="Keep Lohman, wrestlers as a favorite"]')
  await page.click('#equation-search', { count: 3 })
  await page.keyboard.press('Backspace')
  await page.waitForSelector('[data-test="favourites"]')
  await press(page, 'What can I work out from what I measured?')
  await press(page, 'Triceps')
  await press(page, 'Medial calf')
  await page.waitForFunction(() =>
    document
      .querySelector<HTMLElement>('[data-test="from-these"]')
      ?.innerText.includes('Slaughter, triceps and calf'),
  )
  await waitForText(page, 'With one more: Subscapular')
  // It stays in this browser.
  await visit(page, `${server.url}/reference/equations`)
  await page.waitForSelector('[data-test="favourites"]')
  expect(await textOf(page, 'favourites')).toContain('Lohman, wrestlers')
})
