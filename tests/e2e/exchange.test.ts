import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeEach, expect, test } from 'vitest'
import type { Roster } from '#shared/contract/roster'
import { visit, waitForText } from './support/browser'
import { press, useFloor, violations } from './support/floor'

/* Records in and out, and on paper, as a coach does it in the browser, under the page's own policy. */

const OLD_SHEET = fileURLToPath(new URL('../../demo/old-sheet.csv', import.meta.url))
const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-exchange-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const floor = useFloor()
let page: Page
beforeEach(() => {
  page = floor.page
})
const url = (path: string) => `${floor.server.url}${path}`

async function choose(file: string) {
  await visit(page, url('/bring-in'))
  const chooser = (await page.waitForSelector('[data-test="records-file"]')) as unknown
  await (chooser as ElementHandle<HTMLInputElement>).uploadFile(file)
  await page.waitForSelector('[data-test="columns"]')
}
const textOf = (name: string) =>
  page.$eval(`[data-test="${name}"]`, (at) => (at as HTMLElement).innerText)
const next = async (head: string) => {
  await page.click('[data-test="next"]')
  await waitForText(page, head)
}
const roster = async () => (await (await fetch(url('/api/clients'))).json()) as Roster
const namesOf = async () => (await roster()).entries.map(({ client }) => client.name).sort()

test('a coach’s own sheet: understood, looked at, brought in, and taken back', async () => {
  await choose(OLD_SHEET)
  expect(await textOf('columns')).toContain('Axilla')
  const meanings = await page.$$eval('[data-test="columns"] li', (lines) =>
    lines.map((line) => line.querySelector('select')!.selectedOptions[0]!.text),
  )
  expect(meanings).toEqual(
    [...['Name', 'Sex', 'Birth date', 'Day of the check-in', 'Body mass', 'Chest']].concat(
      ...[['Midaxillary', 'Triceps', 'Subscapular', 'Abdominal', 'Suprailiac', 'Thigh']],
      ...[['Waist, narrowest', 'Worked out: not needed', 'Body fat, worked out', 'Left out']],
    ),
  )
  expect(await violations(page)).toEqual([])
  await next('Who is who')
  expect(await textOf('people')).toMatch(/Maren Oakshott\s+new/)
  await next('What comes out')
  await waitForText(page, '22 of 23 figures are Jackson-Pollock, seven folds, with Siri')
  expect(await textOf('equations')).toContain('Row 15 looks like thigh typed for triceps')
  expect(await textOf('left-out')).toMatch(/Row 27\s+A row of totals/)
  expect(await violations(page)).toEqual([])
  // Every figure of ours that the sheet has too is the sheet's.
  await page.waitForSelector('[data-test="coming"] tbody tr')
  const figures = await page.$$eval('[data-test="coming"] tbody tr', (rows) =>
    rows.map((row) => [...row.querySelectorAll('td')].slice(1, 3).map((cell) => cell.innerText)),
  )
  expect(figures).toHaveLength(8)
  for (const [ours, theirs] of figures) if (ours !== '–') expect(ours).toBe(theirs)
  await next('Bring it in')
  await page.click('[data-test="bring"]')
  await waitForText(page, 'Brought in: 3 new clients, 24 check-ins, 215 readings, 0 weights.')
  expect(await namesOf()).toEqual(['Isla Farrow', 'Maren Oakshott', 'Teodor Lunde'])
  await press(page, 'Take it back')
  await waitForText(page, 'Your record is as it was before')
  expect(await namesOf()).toEqual([])
})

test('a meaning that is put right is what comes out, and what is left out is told', async () => {
  const file = join(folder, 'columns.csv')
  writeFileSync(
    file,
    'Who,Sex,Date,Triceps,Grip\nAda Marsh,F,2025-03-04,14,30\nAda Marsh,F,soon,13,31\n',
  )
  await choose(file)
  await page.select('[data-test="columns"] li:nth-child(5) select', 'note')
  await page.waitForSelector('[data-test="progress"]', { hidden: true })
  await next('Who is who')
  await next('What comes out')
  expect(await textOf('left-out')).toContain('Row 3')
  await next('Bring it in')
  await page.click('[data-test="bring"]')
  await waitForText(page, 'Brought in: 1 new client, 1 check-in, 1 reading, 0 weights.')
  const ada = (await roster()).entries[0]!.client
  const out = await (await fetch(url(`/api/clients/${ada.id}/export/json`))).json()
  const [client] = (out as { clients: { checkIns: { conditions: object }[] }[] }).clients
  expect(client!.checkIns[0]!.conditions).toMatchObject({ notes: expect.stringContaining('30') })
})

test('a workbook and pasted cells are read too, and a file that is none is refused in words', async () => {
  // Ada is on record by now; the workbook is what the page hands out of her.
  const workbook = join(folder, 'records.xlsx')
  writeFileSync(workbook, Buffer.from(await (await fetch(url('/api/export/xlsx'))).arrayBuffer()))
  await choose(workbook)
  await next('Who is who')
  expect(await textOf('people')).toMatch(/Ada Marsh\s+on record/)
  await press(page, 'Another file')
  await page.waitForSelector('#pasted')
  await page.type('#pasted', 'Name\tSex\tDate\tWeight (kg)\nBea Holt\tF\t2025-05-06\t61.5')
  await press(page, 'Read these cells')
  await page.waitForSelector('[data-test="columns"]')
  expect(await textOf('columns')).toContain('Weight (kg)')
  const pdf = join(folder, 'scan.csv')
  writeFileSync(pdf, '%PDF-1.7 …')
  await visit(page, url('/bring-in'))
  const chooser = (await page.waitForSelector('[data-test="records-file"]')) as unknown
  await (chooser as ElementHandle<HTMLInputElement>).uploadFile(pdf)
  await waitForText(page, 'a PDF; save the table as .xlsx or .csv first')
})

test('what is under way can be broken off, and nothing of it is kept', async () => {
  const rows = Array.from({ length: 6000 }, (_, i) => {
    const day = `2025-${String(1 + (Math.floor(i / 250) % 12)).padStart(2, '0')}-0${1 + Math.floor(i / 3000)}`
    return `Long ${i % 250},F,${day},${61 + (i % 9)},14,${20 + (i % 5)},${18 + (i % 7)}`
  })
  const file = join(folder, 'long.csv')
  writeFileSync(file, `Client,Sex,Date,Weight (kg),Triceps,Thigh,Suprailiac\n${rows.join('\n')}`)
  const before = await roster()
  await choose(file)
  await next('Who is who')
  await next('What comes out')
  await next('Bring it in')
  await page.click('[data-test="bring"]')
  await page.waitForFunction(
    () =>
      (document.querySelector('[data-test="progress"] progress') as HTMLProgressElement)?.value > 0,
  )
  await press(page, 'Cancel')
  await page.waitForSelector('[data-test="progress"]', { hidden: true })
  const imports = (await (await fetch(url('/api/imports'))).json()) as { fileName: string }[]
  expect(imports.map(({ fileName }) => fileName)).not.toContain('long.csv')
  expect((await roster()).total).toBe(before.total)
  // The same file can be brought in after all.
  expect(await page.$('[data-test="bring"]')).not.toBeNull()
})
