import { randomUUID } from 'node:crypto'
import { afterEach, expect, test } from 'vitest'
import type { Gym } from '#shared/contract/equipment'
import type { PracticeRound, StudyView } from '#shared/contract/studies'
import { DESK, PHONE, visit, waitForFocus, waitForText } from './support/browser'
import {
  addClient,
  closeWithSheet,
  press,
  startCheckIn,
  useFloor,
  violations,
} from './support/floor'

/* What measures and who: a tester's study from its first reading to the certificate, other methods, and instruments. */

const floor = useFloor()
let study: string
let tester: string

const siteNow = () => floor.page.$eval('[data-test=site]', (e) => e.textContent)
const subjectNow = () => floor.page.$eval('[data-test=subject] strong', (e) => e.textContent)
const viewNow = () => floor.server.get<StudyView>(`/api/studies/${study}`)

/** Types a reading of a study and waits until the page asks for the next one, or for none. */
async function read(value: number | string) {
  const { page } = floor
  const before = await page.$eval('[data-test=progress]', (e) => e.textContent)
  await waitForFocus(page, 'study-reading')
  await page.keyboard.type(String(value))
  await page.keyboard.press('Enter')
  await page.waitForFunction(
    (was) => document.querySelector('[data-test=progress]')?.textContent !== was,
    {},
    before,
  )
}

afterEach(async () => {
  await floor.page.setViewport(DESK)
})

test('a study is begun from the tester’s page, for people and sites that the coach names', async () => {
  const { page, server } = floor
  const gym = await server.get<Gym>('/api/gym')
  tester = gym.testers[0]!.id
  await visit(page, `${server.url}/equipment`)
  await page.click(`a[href="/equipment/testers/${tester}"]`)
  await waitForText(page, 'No study yet')
  await press(page, 'New study')
  await page.waitForSelector('#study-subjects')
  for (const site of await page.$$('fieldset button[aria-pressed=true]')) await site.click()
  await press(page, 'Triceps')
  await press(page, 'Thigh')
  await page.$eval('#study-subjects', (field) => {
    ;(field as HTMLTextAreaElement).value = 'Ann\nBo\n\n Cy '
    field.dispatchEvent(new Event('input', { bubbles: true }))
  })
  await waitForText(page, '3 people')
  await press(page, 'Begin the study')
  await page.waitForFunction(() => location.pathname.startsWith('/equipment/studies/'))
  study = new URL(page.url()).pathname.split('/').at(-1)!
  await waitForText(page, '0 of 12 readings')
  expect(await viewNow()).toMatchObject({
    subjects: ['Ann', 'Bo', 'Cy'],
    sites: ['triceps', 'thigh'],
  })
})

test('the first pass is nowhere on the page; a number that cannot be is refused and stays', async () => {
  const { page, server } = floor
  await visit(page, `${server.url}/equipment/studies/${study}`)
  const { order, subjects } = await viewNow()
  expect([await subjectNow(), await siteNow()]).toEqual([subjects[order[0]!], 'Triceps'])
  await waitForFocus(page, 'study-reading')
  await page.keyboard.type('123')
  await page.keyboard.press('Enter')
  await waitForText(page, 'Got “123”')
  expect(await page.$eval('#study-reading', (e) => (e as HTMLInputElement).value)).toBe('123')
  for (let i = 0; i < 3; i++) await page.keyboard.press('Backspace')
  await read('12.7')
  await read('21.3')
  await waitForText(page, 'second round')
  expect(await page.evaluate(() => document.body.innerText)).not.toMatch(/12\.7|21\.3/)
  // Typed wrong, and typed again: what both readings of the site are is shown below, and the study counts three.
  await read('31.1')
  const siteIs = (name: string) =>
    page.waitForFunction(
      (wanted) => document.querySelector('[data-test=site]')?.textContent === wanted,
      {},
      name,
    )
  await press(page, `Type Triceps of ${subjects[order[0]!]} again`)
  await siteIs('Triceps')
  await waitForFocus(page, 'study-reading')
  await page.keyboard.type('13.1')
  await page.keyboard.press('Enter')
  await siteIs('Thigh')
  expect((await viewNow()).taken).toBe(3)
  expect(await page.$('[data-test=last-subject]')).toBeNull()
  expect(await violations(page)).toEqual([])
})

test('it goes on where it was left, on a phone too, in the order of the lot', async () => {
  const { page, server } = floor
  await page.setViewport(PHONE)
  await visit(page, `${server.url}/equipment/studies/${study}`)
  expect(await siteNow()).toBe('Thigh')
  await waitForText(page, 'second round')
  // By the keypad, as a thumb does.
  for (const key of ['2', '1', '.', '8']) await press(page, key)
  await press(page, 'Enter')
  await waitForText(page, '4 of 12 readings')
  // Done with somebody, both readings may be seen.
  await waitForText(page, '12.7 · 13.1')
  const { order, subjects } = await viewNow()
  expect(await subjectNow()).toBe(subjects[order[1]!])
  // Whoever is there is measured, whoever is next in the order.
  await press(page, subjects[order[2]!]!)
  await page.waitForFunction(
    (name) => document.querySelector('[data-test=subject] strong')?.textContent === name,
    {},
    subjects[order[2]!],
  )
  expect(await violations(page)).toEqual([])
})

test('done, it has its figures against what is asked, and a certificate', async () => {
  const { page, server } = floor
  await visit(page, `${server.url}/equipment/studies/${study}`)
  for (const value of ['15', '25', '15.5', '26', '18', '30', '18', '31']) await read(value)
  await waitForText(page, 'Certificate')
  await page.waitForFunction(() => !document.querySelector('#study-reading'))
  const { rows } = await viewNow()
  expect(rows).toHaveLength(6)
  // TEM of the triceps: pairs 0.4, 0.5 and 0 apart: sqrt((0.16 + 0.25) / 6) = 0.26.
  const cells = await page.$$eval('tbody tr', (lines) =>
    lines.map((line) => [...line.querySelectorAll('td, th')].map((e) => e.textContent.trim())),
  )
  expect(cells[0]!.slice(0, 3)).toEqual(['Triceps', '3', '0.26 mm'])
  const certificate = await fetch(`${server.url}/api/studies/${study}/certificate`)
  expect(certificate.headers.get('content-type')).toBe('application/pdf')
  await visit(page, `${server.url}/equipment/testers/${tester}`)
  await waitForText(page, 'What verdicts count with')
  expect(await violations(page)).toEqual([])
})

test('a scan puts the level of the folds right for this client, beside the plain equation', async () => {
  const { page, server } = floor
  const { id } = await addClient(server, 'Sue Scanned')
  await closeWithSheet(server, await startCheckIn(server, id, 3))
  await visit(page, `${server.url}/clients/${id}`)
  await page.waitForSelector('[data-test=other-methods] button')
  await page.click('[data-test=other-methods] button')
  await page.waitForSelector('#other-fat')
  await page.type('#other-fat', '300')
  await press(page, 'Save')
  await waitForText(page, 'Fat %')
  await page.waitForSelector('#other-fat-error')
  await page.$eval('#other-fat', (field) => (field as HTMLInputElement).select())
  await page.type('#other-fat', '24.5')
  await page.type('#other-device', 'Clinic')
  await press(page, 'Save')
  await page.waitForSelector('[data-test=anchored]')
  const said = await page.$eval('[data-test=anchored]', (e) => e.textContent!.replace(/\s+/g, ' '))
  const numbers = (words: RegExp) => words.exec(said)!.slice(1).map(Number)
  const [right, error, plainError] = numbers(
    /Put right: (\d+\.\d)% fat, give or take (\d+\.\d) instead of (\d+\.\d)/,
  )
  const [plain] = numbers(/equation alone says (\d+\.\d)%/)
  // Between the folds and the scan, nearer to the scan, and surer than the folds alone.
  expect(right).toBeGreaterThan((plain! + 24.5) / 2)
  expect(right).toBeLessThan(24.5)
  expect(error).toBeLessThan(plainError! / 1.5)
  await page.setViewport(PHONE)
  await visit(page, `${server.url}/clients/${id}`)
  await page.waitForSelector('[data-test=anchored]')
  expect(await violations(page)).toEqual([])
})

test('a caliper that is out is not proposed, and a zero check is one touch on Ready', async () => {
  const { page, server } = floor
  const gym = await server.get<Gym>('/api/gym')
  const caliper = gym.settings.caliperId!
  const points = [10, 20, 30, 40].map((known) => ({ known, read: known + 2 }))
  await server.post(`/api/gym/instruments/${caliper}/checks`, {
    ...{ id: randomUUID(), checkedOn: gym.today, points },
  })
  await visit(page, `${server.url}/`)
  await page.waitForSelector('[data-test=to-check]')
  await waitForText(page, 'Out of tolerance')
  const spare = { kind: 'caliper', name: 'Second caliper', graduation: 0.5, jaws: 'spring' }
  await server.post('/api/gym/instruments', { ...spare, id: randomUUID(), checkEveryDays: 180 })
  const { id } = await addClient(server, 'Rea Ready')
  const checkIn = await startCheckIn(server, id)
  await visit(page, `${server.url}/check-in/${checkIn.id}`)
  await page.waitForSelector('#caliperId')
  const chosen = await page.$eval('#caliperId', (e) => {
    const select = e as HTMLSelectElement
    return select.selectedOptions[0]!.textContent!.trim()
  })
  expect(chosen).toBe('Second caliper')
  await page.select('#caliperId', caliper)
  await page.waitForSelector('[data-test=out]')
  await page.waitForSelector('[data-test=zero] button')
  await page.click('[data-test=zero] button')
  await waitForText(page, 'Reads zero today')
  const { instruments } = await server.get<Gym>('/api/gym')
  expect(instruments.find((one) => one.id === caliper)!.zero).toEqual({ on: gym.today, read: 0 })
})

test('ten readings of a creeping dial are a round, with its last digits', async () => {
  const { page, server } = floor
  await visit(page, `${server.url}/equipment/practice`)
  for (let i = 0; i < 10; i++) {
    await press(page, 'Close the jaws')
    await press(page, 'Read now')
    await waitForFocus(page, 'dial-reads')
    await page.keyboard.type(i === 0 ? '600' : `${10 + i}.5`)
    await page.keyboard.press('Enter')
    if (i === 0) {
      await waitForText(page, 'enter 1 to 60 mm')
      await page.$eval('#dial-reads', (field) => (field as HTMLInputElement).select())
      await page.keyboard.type('10.5')
      await page.keyboard.press('Enter')
    }
    await waitForText(page, `read ${10 + i}.5:`)
  }
  await page.waitForSelector('[data-test=rounds]')
  const [round] = await server.get<PracticeRound[]>(`/api/gym/testers/${tester}/practice`)
  expect(round).toMatchObject({ kind: 'dial', tries: 10 })
  expect(round!.typed).toEqual(Array.from({ length: 10 }, (_, i) => 10.5 + i))
  // Stopped at once, each of them: about two seconds early.
  expect(round!.late).toBeLessThan(-1)
  await waitForText(page, '40 more readings')
  expect(await violations(page)).toEqual([])
})

test('landmarks are pointed at by keys and by touch, and scored in centimeters', async () => {
  const { page, server } = floor
  await page.setViewport(PHONE)
  await visit(page, `${server.url}/equipment/practice`)
  await press(page, 'landmarks')
  await press(page, 'Begin')
  for (let i = 0; i < 8; i++) {
    await page.waitForFunction(
      (number) => document.body.innerText.includes(`${number} of 8`),
      {},
      i + 1,
    )
    await page.$eval('svg[role=application]', (figure) => (figure as SVGSVGElement).focus())
    if (i % 2) {
      await page.keyboard.press('ArrowLeft')
      await page.keyboard.press('Enter')
    } else await page.click('svg[role=application]')
    await page.waitForSelector('[data-test=landmark-feedback]')
    if (i < 7) await press(page, 'Next')
  }
  await page.waitForSelector('[data-test=rounds]')
  const rounds = await server.get<PracticeRound[]>(`/api/gym/testers/${tester}/practice`)
  expect(rounds.at(-1)).toMatchObject({ kind: 'landmarks', tries: 8, typed: null })
  // The middle of the figure is within a body’s length of any site, and on none.
  expect(rounds.at(-1)!.error).toBeGreaterThan(1)
  expect(rounds.at(-1)!.error).toBeLessThan(170)
  expect(await violations(page)).toEqual([])
})
