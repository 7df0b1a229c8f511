import { execFileSync } from 'node:child_process'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { estimate, usualRules, type Sex } from '#core'
import { PAPER_SIZES, REPORTS, type ReportKind } from '#shared/contract/choices'
import { rosterSchema } from '#shared/contract/roster'
import { seedDemo } from '../../demo/seed'
import { findRecord } from '../../server/clients/queries'
import { readRecord } from '../../server/reports/record'
import { startApi } from './support/app'
import { PNG } from './support/samples'

/*
 * Pages on paper, read back by pdftotext: what stands on them is what the record says.
 */

let api: Awaited<ReturnType<typeof startApi>>
beforeAll(async () => {
  api = await startApi()
  await seedDemo(api.db, async () => {})
})
afterAll(() => api.close())

async function idOf(name: string): Promise<string> {
  const { entries } = rosterSchema.parse((await api.get(`/api/clients?search=${name}`)).body)
  return entries[0]!.client.id
}
async function bytesOf(path: string): Promise<Buffer> {
  const response = await api.raw('GET', path)
  expect([response.status, response.headers.get('content-type')]).toEqual([200, 'application/pdf'])
  return Buffer.from(await response.arrayBuffer())
}
/** The text of a page as somebody selects it, its lines one after another. */
const textIn = (pdf: Buffer) =>
  execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, encoding: 'utf8' }).replace(
    /\s+/g,
    ' ',
  )
const aboutPdf = (pdf: Buffer) => execFileSync('pdfinfo', ['-'], { input: pdf, encoding: 'utf8' })
const pdfOf = async (name: string, kind: ReportKind, query = '') =>
  bytesOf(`/api/clients/${await idOf(name)}/reports/${kind}${query}`)
const page = async (name: string, kind: ReportKind, query = '') =>
  textIn(await pdfOf(name, kind, query))

test('the client’s page has the change as the record judges it, its picture and the next date', async () => {
  const text = await page('Tilda', 'client')
  const record = await findRecord(api.db, await idOf('Tilda'))
  const { look, horizon, newest } = readRecord(record, true)
  const { fat, mass } = look!.horizons[horizon]!.changes
  expect(text).toContain(`Tilda, you lost ${Math.abs(fat!.change).toFixed(1)} kg of fat`)
  expect(text).toMatch(new RegExp(`Body mass .* −${Math.abs(mass!.change).toFixed(1)} kg`))
  const weighed = newest!.readings.findLast(({ kind }) => kind === 'mass')
  expect(text).toContain(`${(newest!.weekMass?.kg ?? weighed!.value).toFixed(1)} kg`)
  // The words of the picture are words.
  expect(text).toMatch(/Change, kg .*lean .*fat/)
  expect(text).toContain('Next: measure again on')
  expect(text).toContain('Lock Nine Rowing Club')
  expect(text).toContain('The boathouse at lock nine')
})

test('who sees no percentages has none on the page, and neither fat nor lean', async () => {
  const { entries } = rosterSchema.parse((await api.get('/api/clients?size=100')).body)
  let seen = 0
  for (const { client, checkIns } of entries) {
    const record = await findRecord(api.db, client.id)
    if (record.client.showPercentages || checkIns < 2) continue
    seen++
    const text = textIn(await bytesOf(`/api/clients/${client.id}/reports/client`))
    expect(text).not.toMatch(/\bfat\b|\blean\b|%/i)
    expect(text).toContain('Sum of folds')
  }
  expect(seen).toBeGreaterThan(0)
})

test('the coach’s page has every reading, the equation with its source, and the working', async () => {
  const text = await page('Tilda', 'coach')
  const { newest } = readRecord(await findRecord(api.db, await idOf('Tilda')), true)
  for (const { kind, value } of newest!.readings)
    if (kind === 'skinfold') expect(text).toContain(value.toFixed(1))
  expect(text).toContain('Jackson-Pollock, seven folds')
  expect(text).toContain('standard error of estimate')
  expect(text).toMatch(/Source: .*Jackson/)
  expect(text).toMatch(/Working .*Step/)
  expect(text).toContain('They are no diagnosis')
})

test('the log sheet has the sites in the order of the set with what they read, and boxes', async () => {
  const text = await page('Tilda', 'log')
  const at = ['Chest', 'Midaxillary', 'Triceps', 'Subscapular', 'Abdominal', 'Suprailiac', 'Thigh']
  const places = at.map((site) => text.indexOf(site))
  expect(places.every((place, i) => place > (places[i - 1] ?? -1))).toBe(true)
})

test('the log sheet of somebody new has the sites of the gym’s usual set, also where that is its own', async () => {
  const own = { id: 'own-paper', name: 'Paper set', standard: 'us', folds: ['thigh'], girths: [] }
  const set = { ...own, ...usualRules('us'), wording: { thigh: { name: 'Front of the thigh' } } }
  expect((await api.post('/api/gym/own-protocols', set)).status).toBe(200)
  expect((await api.patch('/api/gym/settings', { defaultProtocolId: own.id })).status).toBe(200)
  await api.add('/api/clients', {
    ...{ name: 'Nell Newly', sex: 'female', birthDate: null, birthYear: 1990, height: null },
  })
  expect(await page('Nell', 'log')).toMatch(/Nell Newly .*Paper set.* Front of the thigh/)
  await api.patch('/api/gym/settings', { defaultProtocolId: 'seven-fold' })
})

test('the plan is on one sheet; without one the sheet says so', async () => {
  const plans = await Promise.all(
    ['Gus', 'Tilda', 'Bram', 'Orla'].map(async (name) => {
      const { planInForce } = await findRecord(api.db, await idOf(name))
      return [planInForce?.definition, await page(name, 'plan')] as const
    }),
  )
  expect(plans.some(([plan]) => plan)).toBe(true)
  for (const [plan, text] of plans) {
    if (!plan) expect(text).toContain('There is no current plan to print')
    else expect(text).toContain(`${Math.round(plan.intakeKcal).toLocaleString('en-US')} kcal a day`)
  }
})

test('the chart by sum and age is what the equation gives', async () => {
  for (const sex of ['female', 'male'] satisfies Sex[]) {
    const pdf = await bytesOf(`/api/sum-by-age?equation=jackson-pollock-7&sex=${sex}`)
    const folds = ['chest', 'midaxillary', 'triceps', 'subscapular', 'abdominal', 'suprailiac']
    const each = Object.fromEntries([...folds, 'thigh'].map((site) => [site, 100 / 7]))
    const { fatPercent } = estimate('jackson-pollock-7', { sex, ageYears: 40 }, each)
    const row = / 100((?: \d+\.\d)+)/.exec(textIn(pdf))![1]!.trim().split(' ')
    // Ages from 20 by fives.
    expect(row[4]).toBe(fatPercent.toFixed(1))
  }
})

test('every page comes in both sizes, tagged, with a title', async () => {
  for (const size of PAPER_SIZES)
    for (const kind of REPORTS) {
      const about = aboutPdf(await pdfOf('Tilda', kind, `?paper=${size}`))
      expect(about).toMatch(/Tagged: +yes/)
      expect(about).toMatch(/Title: +Tilda Marrowby/)
      expect(about).toMatch(size === 'a4' ? /Page size: +595/ : /Page size: +612 x 792/)
    }
})

test('a logo is kept as a picture, stands on the page, and goes; what is none is refused', async () => {
  const plain = await pdfOf('Tilda', 'log')
  expect((await api.send('/api/gym/logo', PNG, 'image/png')).status).toBe(200)
  expect((await api.raw('GET', '/api/gym/logo')).headers.get('content-type')).toBe('image/png')
  const images = (pdf: Buffer) =>
    execFileSync('pdfimages', ['-list', '-'], { input: pdf, encoding: 'utf8' })
  expect(images(plain)).not.toMatch(/\bimage +\d/)
  expect(images(await pdfOf('Tilda', 'log'))).toMatch(/\bimage\b/)
  const wrong = await api.send('/api/gym/logo', Buffer.from('<svg/>'), 'image/png')
  expect(wrong.status).toBe(422)
  expect((await api.raw('DELETE', '/api/gym/logo')).status).toBe(200)
  expect((await api.raw('GET', '/api/gym/logo')).status).toBe(404)
})
