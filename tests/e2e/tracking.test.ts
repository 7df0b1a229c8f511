/*
 * What is looked at between check-ins, in a real browser: ledger, curves, notes, body map, photos, weigh-ins. One long
 * file, since all of it runs on one server and one browser.
 */

import { randomUUID } from 'node:crypto'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { ElementHandle, Page } from 'puppeteer-core'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { PATIENCE } from '../support/patience'
import { addDays } from '#core'
import type { Photo } from '#shared/contract/photos'
import type { Board } from '#shared/contract/leaderboards'
import { DESK, PHONE, setDate, textOf, waitForText, visit } from './support/browser'
import * as flow from './support/floor'
import { LAST, press, tick, todayIs, useFloor } from './support/floor'
import type { TestServer } from './support/server'

const floor = useFloor()
let page: Page
let server: TestServer
beforeEach(() => ({ page, server } = floor))

const bodyText = () => page.evaluate(() => document.body.innerText)
const open = (path: string) => visit(page, `${server.url}${path}`)

/** A woman with check-ins every four weeks whose folds and mass fall as said, the last one a week ago. */
async function losing(name: string, shares: number[], massOf = (share: number) => 50 + 14 * share) {
  const client = await flow.addClient(server, name)
  for (const [i, share] of shares.entries()) {
    const daysAgo = 7 + 28 * (shares.length - 1 - i)
    const checkIn = await flow.startCheckIn(server, client.id, daysAgo)
    await flow.closeWithSheet(server, checkIn, {
      folds: LAST.map((mm) => mm * share),
      massKg: massOf(share),
      rounds: 2,
    })
  }
  return client
}

describe('the ledger', () => {
  test('says in a sentence what changed, over any two dates that are tapped', async () => {
    const { id } = await losing('Lena Ledger', [1, 0.99, 0.9, 0.78])
    await open(`/clients/${id}`)
    expect(await textOf(page, 'headline')).toMatch(/^Fat down \d+\.\d kg, lean .* since .*\.$/)
    expect(await textOf(page, 'since-first')).toMatch(/fat −\d+\.\d kg, clear/)
    expect(await textOf(page, 'advice')).toContain('keep going as now')
    const change = (line: string) =>
      page.$eval(`[data-change="${line}"]`, (cell) => cell.textContent!.replace(/\s+/g, ' ').trim())
    expect(await change('fat,first')).toMatch(/^−\d+\.\d ▼ clear$/)
    expect(await change('sum,first')).toMatch(/^−\d+ ▼ clear$/)
    expect(await change('fat,last')).toMatch(/^−\d+\.\d [=?]/)
    // A horizon is two dates: those are marked, and the table below is of them.
    await page.click('[data-test="since-first"]')
    const marked = () =>
      page.$$eval('[data-test="ledger"] thead button[aria-pressed="true"]', (heads) =>
        heads.map((head) => head.textContent!.replace(/\s+/g, ' ').trim()),
      )
    await vi.waitFor(async () => expect((await marked())[0]).toMatch(/then$/), PATIENCE)
    expect((await marked())[1]).toMatch(/now$/)
    expect(await textOf(page, 'fat-verdict')).toBe('▼ clear')
    const dates = await page.$$('[data-test="ledger"] thead button')
    await dates[0]!.click()
    await dates[1]!.click()
    await page.waitForFunction(() =>
      /measuring error/.test(document.querySelector('[data-test="fat-verdict"]')!.textContent!),
    )
    expect(page.url()).toMatch(/then=.*now=/)
    // The pair is kept on the other pages about the client.
    await press(page, 'Curves')
    await page.waitForSelector('#to')
    const { checkIns } = await flow.recordOf(server, id)
    expect(await page.$eval('#to', (e) => (e as HTMLInputElement).value)).toBe(
      checkIns.at(-2)!.measuredOn,
    )
    await press(page, 'Body map')
    await waitForText(page, 'Changed since')
    expect(page.url()).toMatch(/body-map\?.*now=/)
  })

  test('is walked with the keys, shows trials and corrected values, and opens at the newest', async () => {
    const { id } = await losing(
      'Kay Keys',
      Array.from({ length: 40 }, (_, i) => 1 - i / 200),
    )
    const { checkIns } = await flow.recordOf(server, id)
    const newest = checkIns[0]!
    const chest = newest.readings.find(({ site }) => site === 'chest')!
    await server.post(`/api/check-ins/${newest.id}/readings`, {
      readings: [
        {
          ...chest,
          ...{ checkInId: newest.id, id: randomUUID(), value: 6.5, typedText: '6.5' },
          ...{ supersedes: chest.id, repair: true },
        },
      ],
    })
    await open(`/clients/${id}`)
    // Of forty columns only those in sight and a few more are in the page.
    const drawn = () => page.$$eval('[data-test="ledger"] thead th', (all) => all.length)
    expect(await drawn()).toBeLessThan(28)
    await tick(page, 'all sites')
    await tick(page, 'corrected values')
    await tick(page, 'all readings')
    const old = chest.value.toFixed(1)
    await page.waitForFunction(
      (words) => document.querySelector('[data-test="ledger"] s')?.textContent?.trim() === words,
      {},
      old,
    )
    await page.focus('[data-test="ledger"] td[tabindex="0"]')
    await page.keyboard.press('Home')
    await page.waitForFunction(() => document.activeElement?.getAttribute('data-cell') === '0,0')
    await page.keyboard.press('ArrowRight')
    await page.waitForFunction(() => document.activeElement?.getAttribute('data-cell') === '0,1')
    await page.keyboard.press('Enter')
    const chosen = checkIns.at(-2)!.id
    await page.waitForFunction((wanted) => location.search.includes(wanted), {}, chosen)
    await page.keyboard.press('End')
    await page.waitForFunction(() => document.activeElement?.getAttribute('data-cell') === '0,39')
  })

  test('of many columns those in sight are drawn wherever it is scrolled', async () => {
    const shares = Array.from({ length: 48 }, (_, i) => 1 - i / 240)
    const { id } = await losing('Lotte Long', shares)
    const { checkIns } = await flow.recordOf(server, id)
    await open(`/clients/${id}`)
    await tick(page, 'all sites')
    /** What stands in the middle of the sheet, in each row. */
    const seen = (share: number) =>
      page.evaluate((at) => {
        const sheet = document.querySelector('[aria-label="Ledger"]')!
        sheet.scrollLeft = at * (sheet.scrollWidth - sheet.clientWidth)
        const { left, right } = sheet.getBoundingClientRect()
        const middle = (left + 150 + right) / 2
        const across = (e: Element) => {
          const box = e.getBoundingClientRect()
          return box.left <= middle && middle < box.right
        }
        const head = [...document.querySelectorAll('[data-test="ledger"] thead th')].find(across)
        const cells = [...document.querySelectorAll('[data-test="ledger"] td[data-cell]')].filter(
          across,
        )
        return {
          index: Number(head?.getAttribute('aria-colindex')) - 2,
          texts: cells.map((cell) => (cell as HTMLElement).innerText.trim()),
          drawn: document.querySelectorAll('[data-test="ledger"] thead th').length,
        }
      }, share)
    const oldestFirst = [...checkIns].reverse()
    for (const share of [1, 0.5, 0, 0.31, 0.77]) {
      // Columns are drawn some frames after the scrolling: looked at again until they stand there.
      await vi.waitFor(async () => {
        const { index, texts, drawn } = await seen(share)
        const { readings } = oldestFirst[index]!
        const chest = readings.filter(({ site }) => site === 'chest').map(({ value }) => value)
        expect(texts).toHaveLength(5 + 7)
        // The sum, body mass, fat %, fat and lean stand over the sites.
        expect(texts[5]).toBe(((chest[0]! + chest[1]!) / 2).toFixed(1))
        expect(drawn).toBeLessThan(34)
      }, PATIENCE)
    }
  })

  test('lean and fat are drawn to one scale, each check-in on its day and at what it read', async () => {
    const { id } = await losing('Cora Course', [1, 0.97, 0.9, 0.86])
    await open(`/clients/${id}`)
    const panels = await page.$$eval('[data-panel]', (all) =>
      all.map((panel) => {
        const box = panel.getBoundingClientRect()
        const lines = [...panel.querySelectorAll(':scope > span.border-t')].map((line) => ({
          kg: Number(line.textContent!.replace('−', '-')),
          y: line.getBoundingClientRect().top - box.top,
        }))
        const points = [...panel.querySelectorAll<HTMLElement>('span[title]')].map((point) => {
          const { x, y, width, height } = point.getBoundingClientRect()
          return {
            x: (x + width / 2 - box.x) / box.width,
            y: y + height / 2 - box.y,
            read: Number(/: (\S+)/.exec(point.title)![1]!.replace('−', '-')),
          }
        })
        return { part: panel.getAttribute('data-panel'), lines, points }
      }),
    )
    expect(panels.map(({ part }) => part)).toEqual(['lean', 'fat'])
    const perKg = panels.map(({ lines }) => {
      const [a, b] = [lines[0]!, lines.at(-1)!]
      return (a.y - b.y) / (b.kg - a.kg)
    })
    expect(perKg[1]! / perKg[0]!).toBeCloseTo(1, 1)
    panels.forEach(({ lines, points }, i) => {
      const zero = lines.find(({ kg }) => kg === 0)!
      expect(points).toHaveLength(4)
      points.forEach(({ x, y, read }, at) => {
        expect(x).toBeCloseTo(at / 3, 2)
        // As it is said, to a tenth of a kilogram.
        expect(Math.abs(zero.y - y - read * perKg[i]!)).toBeLessThan(0.06 * perKg[i]! + 1)
      })
    })
    // Fat falls from one check-in to the next, as the sheets were typed.
    const fat = panels[1]!.points.map(({ read }) => read)
    expect([...fat].sort((a, b) => b - a)).toEqual(fat)
  })

  test('its values are read by pointing, by the arrow keys and in a table', async () => {
    const { id } = await losing('Walt Walk', [1, 0.97, 0.9, 0.86])
    await open(`/clients/${id}`)
    await press(page, 'Values as a table')
    const table = await page.$$eval('[aria-label="Values as a table"] tbody tr', (all) =>
      all.map((row) => [...row.children].map((cell) => (cell as HTMLElement).innerText)),
    )
    expect(table).toHaveLength(4)
    const saidOf = ([day, lean, fat]: string[]) => `${day}: Lean, kg ${lean} · Fat, kg ${fat}`
    const [box] = await page.$$eval('[data-plot]', (all) =>
      all.map((plot) => plot.getBoundingClientRect().toJSON() as DOMRect),
    )
    // A third along, and not on a point of its line: the nearest day is said.
    await page.mouse.move(box!.x + box!.width * 0.36, box!.y + 4)
    expect(await textOf(page, 'chart-says')).toBe(saidOf(table[1]!))
    await page.focus('[data-test="chart-walk"]')
    await page.keyboard.press('End')
    await page.keyboard.press('End')
    expect(await textOf(page, 'chart-says')).toBe(saidOf(table[3]!))
    await page.keyboard.press('ArrowLeft')
    expect(await textOf(page, 'chart-says')).toBe(saidOf(table[2]!))
    await page.keyboard.press('Home')
    expect(await textOf(page, 'chart-says')).toBe(saidOf(table[0]!))
    expect(await flow.violations(page)).toEqual([])
  })

  test('who sees sums and girths only reads nothing of fat and lean on any of these pages', async () => {
    const { id } = await losing('Noa Numbers', [1, 0.85])
    await server.patch(`/api/clients/${id}`, { showPercentages: false })
    for (const path of ['', '/curves', '/body-map', '/weigh-ins', '/photos']) {
      await open(`/clients/${id}${path}`)
      const words = await bodyText()
      expect(words, path).not.toMatch(/\bfat\b|\blean\b|(?<!9)[0-9] ?%|9[^5] ?%/i)
    }
    await open(`/clients/${id}`)
    expect(await textOf(page, 'headline')).toMatch(/sum of folds down \d+ mm/i)
    expect(
      await page.$$eval('[data-panel]', (all) => all.map((e) => e.getAttribute('data-panel'))),
    ).toEqual(['sum'])
  })
})

describe('curves', () => {
  test('are a picture until they are pointed at, and then say what their points are', async () => {
    const { id } = await losing('Pia Picture', [1, 0.95, 0.9])
    await open(`/clients/${id}/curves`)
    await page.waitForSelector('[data-test="curve"] [data-drawn="picture"]')
    const { x, y, width, height } = await page.$eval('[data-test="curve"]', (chart) =>
      chart.getBoundingClientRect().toJSON(),
    )
    await page.mouse.move(x + width / 2, y + height / 2)
    await page.waitForSelector('[data-test="curve"] [data-drawn="live"]')
    expect(await page.$$('[data-test="curve"] canvas')).toHaveLength(1)
    // Down the middle, where the second of three stands: somewhere there is the point of its lean mass.
    await vi.waitFor(async () => {
      const middle = x + (52 + width - 96) / 2
      for (let down = 0; down < height; down += 3) {
        await page.mouse.move(middle, y + down)
        if (/: lean \d+\.\d \(\d+\.\d to \d+\.\d\) kg/.test(await bodyText())) return
      }
      throw new Error('No point says what it is.')
    }, PATIENCE)
  })

  test('the slope of a stretch comes from the worker, and notes stand on the axis', async () => {
    const { id } = await losing('Uma Curve', [1, 0.95, 0.9, 0.85, 0.8])
    await open(`/clients/${id}/curves`)
    await page.waitForSelector('[data-test="curve"] [data-drawn] canvas')
    await waitForText(page, 'kg a week, 95% range')
    expect(await textOf(page, 'slope')).toMatch(/Weekly trend of fat: −0\.\d\d kg a week/)
    await page.select('#subject', 'sum')
    await waitForText(page, 'mm a week')
    const slope = Number((await textOf(page, 'slope')).match(/−(\d+\.\d+) mm/)![1])
    // The sum falls by a twentieth of 113.5 mm every four weeks.
    expect(slope).toBeCloseTo((0.05 * 113.5) / 4, 1)
    await page.type('#note-words', 'spring phase')
    await press(page, 'Add a note')
    await waitForText(page, 'spring phase')
    await press(page, 'Delete')
    await page.waitForFunction(() => !document.body.innerText.includes('spring phase'))
  })

  test('a stretch is drawn across the chart, and compared', async () => {
    const { id } = await losing('Bibi Brush', [1, 0.95, 0.9, 0.85, 0.8, 0.75])
    await open(`/clients/${id}/curves`)
    await page.waitForSelector('[data-test="curve"] [data-drawn] canvas')
    const all = await page.$eval('#from', (e) => (e as HTMLInputElement).value)
    await press(page, 'Select a date range')
    await waitForText(page, 'Drag across the chart')
    const box = (await (await page.$('[data-test="curve"]'))!.boundingBox())!
    const y = box.y + box.height / 2
    await page.mouse.move(box.x + box.width * 0.45, y)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width * 0.7, y, { steps: 8 })
    await page.mouse.up()
    await page.waitForFunction(
      (before) => document.querySelector<HTMLInputElement>('#from')!.value !== before,
      {},
      all,
    )
    await press(page, 'All dates')
    expect(await page.$eval('#from', (e) => (e as HTMLInputElement).value)).toBe(all)
  })

  test('a check-in that the equation cannot read is a gap with its reason', async () => {
    const client = await flow.addClient(server, 'Gail Gap')
    const three = await flow.startCheckIn(server, client.id, 60, { protocolId: 'three-fold' })
    await flow.closeWithSheet(server, three, { sites: ['triceps', 'suprailiac', 'thigh'] })
    for (const daysAgo of [30, 2]) {
      const checkIn = await flow.startCheckIn(server, client.id, daysAgo, {
        protocolId: 'seven-fold',
      })
      await flow.closeWithSheet(server, checkIn)
    }
    await open(`/clients/${client.id}/curves`)
    await waitForText(page, 'no point, not taken: chest, midaxillary, subscapular, abdominal.')
  })
})

test('where: each site with sign, number and verdict, since any check-in', async () => {
  const client = await flow.addClient(server, 'Wanda Where')
  for (const [daysAgo, share, arm] of [
    [60, 1, 30],
    [2, 0.7, 30],
  ] as const) {
    const checkIn = await flow.startCheckIn(server, client.id, daysAgo)
    await flow.changeCheckIn(server, checkIn.id, { extraGirths: { upper_arm_relaxed: true } })
    await flow.addReadings(server, checkIn, [
      { kind: 'girth', site: 'upper_arm_relaxed', value: arm },
    ])
    await flow.closeWithSheet(server, checkIn, { folds: LAST.map((mm) => mm * share), rounds: 2 })
  }
  await open(`/clients/${client.id}/body-map`)
  const sites = await textOf(page, 'sites')
  // What was read, and by the record a little less than the difference.
  expect(sites).toMatch(
    /Abdominal\s+21\.0\s+14\.7\s+−6\.[0-3] mm\s+\d\.\d\s+▼\s*more than measuring error/,
  )
  expect(sites).toMatch(/Upper arm, relaxed\s+30\.0\s+30\.0\s+0\.0 cm\s+\d\.\d\s+\?\s*within/)
  expect(await textOf(page, 'body-map')).toMatch(/−7\.[5-8] mm/)
  // The fold over the arm went by 5 mm and the girth not at all: muscle and bone grew by pi times that.
  expect(await bodyText()).toMatch(
    /Upper arm, relaxed minus Triceps\s+\+1\.[56] ± \d\.\d cm\s+▲\s*more than/,
  )
})

test('weigh-ins: seven on a line are read back, kept by day, and averaged with what is missing', async () => {
  const { id } = await flow.addClient(server, 'Wes Weigh')
  await open(`/clients/${id}/weigh-ins`)
  await page.type('#weigh-ins', '62,4; 62,1; heavy')
  await press(page, 'Save')
  await waitForText(page, 'Weigh-ins: enter one weight a day')
  // Nothing typed is lost by the refusal.
  expect(await page.$eval('#weigh-ins', (e) => (e as HTMLTextAreaElement).value)).toContain('heavy')
  await page.click('#weigh-ins', { count: 3 })
  await page.keyboard.type('62.4 62.1 - 62.8 62.3 62.2 62.6')
  await waitForText(page, 'Read as')
  await press(page, 'Save')
  await waitForText(page, 'Saved 6 days')
  const { weighIns } = await flow.recordOf(server, id)
  expect(weighIns.map(({ date }) => date)).not.toContain(addDays(todayIs(), -4))
  expect(weighIns.at(-1)).toEqual({ date: todayIs(), kg: 62.6 })
  expect(await textOf(page, 'weeks')).toMatch(/\d of 7 days\s+without/)
  await waitForText(page, 'kg a week')
  // One that the record does not explain is asked about, and so is one that takes another's place.
  await page.type('#weigh-ins', `${addDays(todayIs(), -4)} 26.4\n${todayIs()} 62`)
  await waitForText(page, 'looks like')
  await press(page, 'Save')
  await waitForText(page, 'nothing is saved yet')
  expect((await flow.recordOf(server, id)).weighIns).toEqual(weighIns)
  await press(page, 'Use 62.4 kg')
  await waitForText(page, '62.0 kg replaces 62.6 kg')
  await press(page, '62.0 kg is right')
  await page.waitForFunction(() => !document.querySelector('[data-test="asked"]'))
  await press(page, 'Save')
  await waitForText(page, 'Saved 2 days')
  const kept = (await flow.recordOf(server, id)).weighIns
  expect(kept.filter(({ date }) => [addDays(todayIs(), -4), todayIs()].includes(date))).toEqual([
    { date: addDays(todayIs(), -4), kg: 62.4 },
    { date: todayIs(), kg: 62 },
  ])
})

test('photos: freed of their metadata, marked by two taps, one laid over the other', async () => {
  const { id } = await flow.addClient(server, 'Phil Photo')
  const photosOf = () => server.get<Photo[]>(`/api/clients/${id}/photos`)
  await open(`/clients/${id}/photos`)
  // A picture with a place in it, made by the browser and marked as a camera would.
  const base64 = await page.evaluate(() => {
    const canvas = document.createElement('canvas')
    Object.assign(canvas, { width: 3000, height: 4000 })
    const pen = canvas.getContext('2d')!
    pen.fillRect(1400, 400, 200, 3200)
    return canvas.toDataURL('image/jpeg').split(',')[1]!
  })
  const plain = Buffer.from(base64, 'base64')
  const exif = Buffer.from('Exif\0\0GPS 52.1 4.3')
  const marker = Buffer.from([0xff, 0xe1, 0, exif.length + 2])
  const file = join(server.folder, 'camera.jpg')
  writeFileSync(file, Buffer.concat([plain.subarray(0, 2), marker, exif, plain.subarray(2)]))
  const choose = async () => {
    const input = (await page.$(
      'input[aria-label="Front: choose a photo"]',
    )) as ElementHandle<HTMLInputElement>
    await input.uploadFile(file)
  }
  await choose()
  await waitForText(page, 'Front saved')
  await setDate(page, '#taken-on', addDays(todayIs(), -30))
  await choose()
  await page.waitForFunction(() => document.querySelectorAll('#then option').length === 2)
  const photos = await photosOf()
  expect(photos.map(({ width, height }) => [width, height])).toEqual([
    [1200, 1600],
    [1200, 1600],
  ])
  const stored = await fetch(`${server.url}/api/photos/${photos[0]!.id}`)
  expect(stored.headers.get('cache-control')).toBe('private, no-store')
  expect(Buffer.from(await stored.arrayBuffer()).includes('GPS')).toBe(false)

  await press(page, 'Mark top of head and floor')
  await waitForText(page, 'Tap the top of the head.')
  const target = (await (await page.$('[aria-label^="Front photo"]'))!.boundingBox())!
  const tap = (y: number) =>
    page.mouse.click(target.x + target.width / 2, target.y + target.height * y)
  await tap(0.1)
  await waitForText(page, 'Tap the floor between the feet.')
  await tap(0.9)
  await waitForText(page, 'Top of the head and floor are marked.')
  await press(page, 'Done')
  await page.waitForFunction(() => !document.querySelector('[role=dialog]'))
  const marked = (await photosOf()).find(({ crown }) => crown !== null)!
  expect(marked.groundPoint!.y - marked.crown!.y).toBeCloseTo(0.8, 1)
  await press(page, 'with a slider')
  await page.waitForSelector('input[type=range]')
  // A second one of the same view and day stands beside the first, and what is deleted can be had back.
  await choose()
  await page.waitForFunction(() => document.querySelectorAll('#then option').length === 3)
  await press(page, 'Delete')
  await page.waitForFunction(() => document.querySelectorAll('#then option').length === 2)
  expect(await textOf(page, 'said')).toContain('Front photo of')
  await press(page, 'Undo')
  await page.waitForFunction(() => document.querySelectorAll('#then option').length === 3)
  expect(await photosOf()).toHaveLength(3)
})

test('a board is made, names nobody who hides, and ties who is not clearly apart', async () => {
  const clear = await losing('Ada Ahead', [1, 0.8, 0.6])
  const near = await losing('Bea Behind', [1, 0.98, 0.97])
  const hides = await losing('Cat Covered', [1, 0.99, 0.96])
  await server.patch(`/api/clients/${hides.id}`, { hiddenOnLeaderboards: true })
  await open('/leaderboards')
  await press(page, 'New leaderboard')
  await page.waitForSelector('#group-name')
  await page.type('#group-name', 'Lock to lock')
  await setDate(page, '#starts', addDays(todayIs(), -63))
  for (const { name } of [clear, near, hides]) await tick(page, name)
  await press(page, 'Save')
  await waitForText(page, '2 share this place')
  expect(await textOf(page, 'tie')).toMatch(
    /lies between them, and less than .* may be the caliper/,
  )
  const board = await textOf(page, 'board')
  expect(board).toMatch(/^1\s+Ada Ahead/)
  expect(board).toMatch(/2=[^=]*Bea Behind/)
  expect(board).toContain('Name hidden')
  expect(board).not.toContain('Cat')
  const data = await server.get<Board>(`/api/leaderboards/${page.url().split('/').at(-1)}`)
  expect(data.lines[0]!.change).toBeGreaterThan(0)
})

test('a client who is not there is said to be not there, on every tab', async () => {
  for (const tab of ['', '/curves', '/body-map', '/profile', '/weigh-ins', '/photos', '/plan']) {
    // What the server has drawn is what stands once the page is awake, too.
    await visit(page, `${server.url}/clients/${randomUUID()}${tab}`)
    expect(await page.evaluate(() => document.body.innerText), tab).toMatch(
      /This client cannot be shown\s+No such client\./,
    )
  }
})

test('somebody of the same name is pointed out while they are added, and a bad address leads back', async () => {
  await flow.addClient(server, 'Núria Twice')
  await open('/clients/new')
  await page.type('#name', 'nuria twic')
  await page.type('#name', 'e')
  await page.waitForSelector('[data-test="namesake"]')
  expect(await textOf(page, 'namesake')).toMatch(/already a client named Núria Twice/)
  await page.type('#name', ' Other')
  await page.waitForFunction(() => !document.querySelector('[data-test="namesake"]'))
  await page.goto(`${server.url}/no/such/page`)
  await waitForText(page, 'There is no such page')
  await press(page, 'Go to Clients')
  await page.waitForSelector('[data-test="roster"]')
})

test('the roster finds, filters and sorts while it is typed', async () => {
  await losing('Zelda Findme', [1])
  await flow.addClient(server, 'Zoltan Findme')
  await open('/clients')
  await page.type('#search', 'findme')
  await page.waitForFunction(
    () => document.querySelector('[data-test="count"]')?.textContent?.trim() === '2 clients',
  )
  await page.select('#state', 'first')
  await page.waitForFunction(
    () => document.querySelector('[data-test="count"]')?.textContent?.trim() === '1 client',
  )
  expect(await textOf(page, 'roster')).toContain('Zoltan Findme')
  await press(page, 'Due')
  await page.waitForFunction(() => location.search.includes('sort=due'))
})

test('no page has an accessibility violation or runs over the side, at either size', async () => {
  const { id } = await losing('Axel Audit', [1, 0.9, 0.8])
  await server.post(`/api/clients/${id}/weigh-ins`, {
    ...{ text: '64 64.2 63.9 64.1 63.8 64 63.7', last: todayIs(), unit: 'kg' },
  })
  const paths = [
    ...['', '/curves', '/body-map', '/profile', '/weigh-ins', '/photos', '/reports'],
    ...['/notes', '/share'],
  ].map((p) => `/clients/${id}${p}`)
  for (const viewport of [DESK, PHONE]) {
    await page.setViewport(viewport)
    for (const path of [...paths, '/clients', '/leaderboards', '/reminders']) {
      await open(path)
      expect(await flow.violations(page), path).toEqual([])
      const over = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      )
      expect(over, `${path} at ${viewport.width}`).toBeLessThanOrEqual(0)
    }
  }
})
