import { randomUUID } from 'node:crypto'
import type { Page } from 'puppeteer-core'
import { beforeEach, describe, expect, test } from 'vitest'
import { addDays } from '#core'
import type { Plan } from '#shared/contract/plans'
import type { Roster } from '#shared/contract/roster'
import { DESK, PHONE, setDate, textOf, waitForText, visit, withoutFiller } from './support/browser'
import * as flow from './support/floor'
import { LAST, press, todayIs, useFloor } from './support/floor'
import type { TestServer } from './support/server'

const floor = useFloor()
let page: Page
let server: TestServer
beforeEach(() => ({ page, server } = floor))

/** What lies under the fold is read as well. */
async function open(path: string) {
  await visit(page, `${server.url}${path}`)
  await page.addStyleTag({ content: '.offscreen { content-visibility: visible !important }' })
}
const plansOf = (id: string) => server.get<{ plans: Plan[] }>(`/api/clients/${id}/plans`)
const bodyText = () => page.evaluate(() => document.body.innerText)

/** A woman of 62 kg with one check-in so many days ago. */
async function measured(name: string, daysAgo = 1) {
  const client = await flow.addClient(server, name)
  const checkIn = await flow.startCheckIn(server, client.id, daysAgo)
  await flow.closeWithSheet(server, checkIn, { rounds: 2 })
  return client
}

async function retype(id: string, text: string) {
  await page.click(id, { count: 3 })
  await page.keyboard.type(text)
}

describe('a plan', () => {
  test('from a wish to energy, a band that is computed apart, nutrients, and kept', async () => {
    const { id } = await measured('Pola Plan')
    await open(`/clients/${id}/plan`)
    await page.type('#goal', '60')
    await waitForText(page, 'with the usual lean change')
    expect(await textOf(page, 'targets')).toMatch(/lean held\s+60\.0 kg/)
    await page.waitForSelector('[data-test="plan-picture"][data-banded]')
    await waitForText(page, 'Of 10,000 simulated outcomes')
    expect(await textOf(page, 'energy')).toMatch(/Eat \d,\d{3} kcal a day/)
    expect(await textOf(page, 'drift')).toMatch(/two methods differ by \d\.\d kg/)
    const nutrients = await textOf(page, 'nutrients')
    const kcal = Number(/total\s+(\d+)/.exec(nutrients)![1])
    expect(await textOf(page, 'energy')).toContain(kcal.toLocaleString('en-US'))
    await page.type('#carbohydrate', '12')
    await waitForText(page, 'do not fit in')
    await page.select('[aria-label="Carbohydrate: unit"]', 'grams')
    await retype('#carbohydrate', '180')
    await press(page, 'vegan')
    await waitForText(page, 'Vitamin B12')
    await waitForText(page, /carbohydrate\s+180/)
    await press(page, 'Save plan')
    await waitForText(page, 'Saved')
    const { plans } = await plansOf(id)
    const { client } = await flow.recordOf(server, id)
    expect(plans[0]).toMatchObject({
      replacedAt: null,
      definition: {
        goal: { kind: 'mass', value: 60 },
        nutrients: { carbohydrate: { value: 180 }, diet: 'vegan' },
      },
    })
    expect([14, 21, 28]).toContain(client.cadenceDays)
    // After a reload everything of it can be read.
    await open(`/clients/${id}/plan`)
    expect(await textOf(page, 'plan-head')).toMatch(/Body weight 60\.0 kg/)
    expect(await textOf(page, 'plan-facts')).toMatch(
      /Pace\s+0\.7% of weight a week.*carbohydrate 180 g.*4 a day, vegan/s,
    )
    await page.waitForSelector('[data-test="plan-picture"][data-banded] [data-point]')
  })

  test('a wish that is too soon or too low is refused with what is possible', async () => {
    const { id } = await measured('Wilma Wish')
    await open(`/clients/${id}/plan`)
    await page.type('#goal', '57')
    await setDate(page, '#goal-date', addDays(todayIs(), 14))
    await waitForText(page, 'Not feasible by')
    expect(await textOf(page, 'feasibility')).toMatch(/earliest safe date is \w+ \d+, \d{4}/)
    await press(page, 'fat %')
    await retype('#goal', '9')
    await waitForText(page, 'under 10% nothing is planned here')
    expect(await bodyText()).not.toContain('Save plan')
    await press(page, 'Record this refusal')
    await waitForText(page, 'Recorded: what was asked for')
    expect((await plansOf(id)).plans).toMatchObject([{ refused: true }])
    await press(page, 'Use the nearest allowed plan')
    await waitForText(page, 'is for a contest day alone')
    expect(await page.$eval('#goal', (e) => (e as HTMLInputElement).value)).toBe('10')
    await retype('#goal', 'thin')
    await waitForText(page, 'Goal: enter a number, such as 58.5. Got “thin”.')
    await retype('#goal', '18')
    await retype('#pace', '3')
    await waitForText(page, '3% of body mass a week is faster.')
  })

  test('a check-in since is held against it; a change is a version that says what differs', async () => {
    const id = (await measured('Fola Follow', 57)).id
    await open(`/clients/${id}/plan`)
    await page.waitForSelector('#goal')
    await page.type('#goal', '58')
    // The body is eight weeks old: it is said, until the plan starts when it was measured.
    expect(await textOf(page, 'too-old')).toMatch(/57 days before .*Measure first/)
    await setDate(page, '#starts-on', addDays(todayIs(), -57))
    await page.waitForFunction(() => !document.querySelector('[data-test="too-old"]'))
    await waitForText(page, 'Of 10,000 simulated outcomes')
    await press(page, 'Save plan')
    await waitForText(page, 'Saved')
    const next = await flow.startCheckIn(server, id, 1)
    await flow.closeWithSheet(server, next, {
      folds: LAST.map((mm) => mm * 1.25),
      massKg: 64.5,
      rounds: 2,
    })
    await open(`/clients/${id}/plan`)
    await page.waitForSelector('[data-test="standing-of-plan"]')
    expect(await textOf(page, 'standing-of-plan')).toBe('Behind the plan.')
    expect(await textOf(page, 'follow-up')).toMatch(/Energy balance .*planned −\d+/)
    await page.waitForSelector('[data-panel="mass"] [data-point] ~ [data-point]')
    // The goal is a line across the curves that it speaks of.
    const curve = () => page.$eval('[data-test="curve"] [role="img"]', (e) => e.ariaLabel!)
    await open(`/clients/${id}/curves`)
    await page.waitForSelector('[data-test="curve"] [data-drawn] canvas')
    expect(await curve()).toMatch(/goal, fat \d+\.\d kg/)
    await page.select('#subject', 'mass')
    await page.waitForFunction(() =>
      document
        .querySelector('[data-test="curve"] [role="img"]')!
        .ariaLabel!.includes('goal 58.0 kg'),
    )
    await page.select('#subject', 'sum')
    await page.waitForFunction(
      () =>
        !document.querySelector('[data-test="curve"] [role="img"]')!.ariaLabel!.includes('goal'),
    )
    await open(`/clients/${id}/plan/change`)
    await page.waitForSelector('[data-test="differences"]')
    expect(await page.$eval('#goal', (e) => (e as HTMLInputElement).value)).toBe('58')
    expect(await textOf(page, 'differences')).toMatch(/Weight at the start\s+\S+ kg\s+64\.5 kg/)
    await retype('#pace', '0.5')
    await waitForText(page, /Pace\s+0\.7% of weight a week\s+0\.5% of weight a week/)
    await press(page, 'Save as a new version')
    await waitForText(page, 'Earlier plans (1)')
    expect(await textOf(page, 'plan-head')).toMatch(/Version 2 · Made on/)
    const { plans } = await plansOf(id)
    expect(plans.map(({ replacedAt }) => replacedAt === null)).toEqual([true, false])
    expect(plans[0]!.changes).toBe(plans[1]!.id)
    expect(plans[0]!.startedOn).toBe(todayIs())
    expect(plans[0]!.definition.checkInId).toBe(next.id)
    // The one before can be read, with what was changed.
    await open(`/clients/${id}/plan/${plans[1]!.id}`)
    expect(await textOf(page, 'plan-head')).toMatch(/Made on .*changed on/)
    expect(await textOf(page, 'differences')).toMatch(/Pace\s+0\.7%/)
  })

  test('weeks out to a weigh-in with breaks, as fast as the day asks; ended only when asked twice', async () => {
    const { id } = await measured('Wren Weighin')
    const day = addDays(todayIs(), 7 * 15 + 2)
    await open(`/clients/${id}/plan`)
    await page.waitForSelector('#goal')
    await press(page, 'lose weight')
    await page.type('#goal', '2.5')
    await setDate(page, '#goal-date', day)
    await press(page, 'a weigh-in')
    await waitForText(page, '15 weeks out')
    await press(page, 'As fast as the date requires')
    await press(page, 'With breaks or maintenance weeks in between')
    await retype('#break-every', '5')
    await retype('#break-weeks', '0')
    await waitForText(page, 'Weeks of a break: enter a whole number from 1 to 12. Got 0.')
    await retype('#break-weeks', '1')
    await waitForText(page, 'Feasible:')
    expect(await textOf(page, 'phases')).toMatch(/cut.*break.*cut.*break.*cut/s)
    await waitForText(page, /\d g and about \d+ kcal a day/)
    await retype('#exercise', 'lots')
    await waitForText(page, 'Exercise a day: enter a number, such as 58.5. Got “lots”.')
    await retype('#exercise', '200')
    await waitForText(page, 'Of 10,000 simulated outcomes')
    await press(page, 'Save plan')
    await waitForText(page, 'Saved')
    expect(await textOf(page, 'countdown')).toBe('15 weeks out')
    expect((await plansOf(id)).plans[0]!.definition).toMatchObject({
      goal: { kind: 'loseMass', value: 2.5, date: day, occasion: 'weigh-in' },
      ...{ byDay: true, breaks: { every: 5, weeks: 1 }, exerciseKcal: 200 },
    })
    // The sheet for the client is one page of paper.
    await open(`/clients/${id}/plan/sheet`)
    expect(await textOf(page, 'sheet')).toMatch(
      /Plan for Wren Weighin.*Lose 2\.5 kg at the weigh-in/s,
    )
    const pdf = Buffer.from(await page.pdf({ format: 'A4' })).toString('latin1')
    expect(pdf.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1)

    await open(`/clients/${id}/plan`)
    await press(page, 'End this plan')
    await waitForText(page, 'Check-ins are no longer compared with it')
    await press(page, 'Cancel')
    await page.waitForFunction(() => !document.querySelector('[role="dialog"]'))
    expect((await plansOf(id)).plans[0]!.replacedAt).toBeNull()
    await press(page, 'End this plan')
    await waitForText(page, 'Check-ins are no longer compared with it')
    await press(page, 'End plan')
    await waitForText(page, 'Plan ended. It stays on record.')
    expect((await plansOf(id)).plans[0]!.replacedAt).not.toBeNull()
  })

  test('a pregnancy stops every deficit, with who to see', async () => {
    const { id } = await measured('Petra Pause')
    await server.post(`/api/clients/${id}/screening`, {
      id: randomUUID(),
      flags: ['pregnant'],
    })
    await open(`/clients/${id}/plan`)
    expect(await textOf(page, 'plan-cautions')).toMatch(/Pregnancy: no deficit.*midwife/)
    await page.type('#goal', '60')
    await waitForText(page, 'Limit: ')
    expect(await bodyText()).not.toMatch(/kcal a day|Save plan/)
  })

  test('a hold waits for a clearance, which is kept with who gave it', async () => {
    const { id } = await measured('Ina Insulin')
    await server.post(`/api/clients/${id}/screening`, { id: randomUUID(), flags: ['insulin'] })
    await open(`/clients/${id}/plan`)
    await page.type('#goal', '60')
    await waitForText(page, 'Whoever prescribes them clears the plan')
    expect(await bodyText()).not.toContain('Save plan')
    await press(page, 'Record a clearance…')
    await page.waitForSelector('#cleared-by')
    await page.type('#cleared-by', 'Dr. Hale Testwell')
    await press(page, 'Save clearance')
    await waitForText(page, 'Cleared by Dr. Hale Testwell on')
    await press(page, 'Save plan')
    await waitForText(page, 'Saved')
    expect((await plansOf(id)).plans).toHaveLength(1)
    // It is on record, and the server asks for it by itself.
    await open(`/clients/${id}/plan`)
    expect(await textOf(page, 'plan-findings')).toMatch(/prescribes them.*Dr\. Hale Testwell/s)
  })

  test('who sees sums and girths only plans without a word of fat', async () => {
    const { id } = await measured('Gitta Girths')
    await server.patch(`/api/clients/${id}`, { showPercentages: false })
    await open(`/clients/${id}/plan`)
    await page.type('#goal', '60')
    await waitForText(page, 'weeks, to')
    const ofBodies = /\bfat\b|[0-9] ?% fat|\blean\b/i
    expect(await bodyText()).not.toMatch(ofBodies)
    // Nor when it is kept, nor on the sheet.
    await press(page, 'Save plan')
    await waitForText(page, 'Saved')
    await waitForText(page, 'Of 10,000 simulated outcomes')
    expect(await bodyText()).not.toMatch(ofBodies)
    await open(`/clients/${id}/plan/sheet`)
    expect(await textOf(page, 'sheet')).toMatch(/Body weight 60\.0 kg/)
    expect(await bodyText()).not.toMatch(ofBodies)
  })
})

describe('the calendar', () => {
  test('moves a check-in by dragging, and by the dialog, and gives it back', async () => {
    const client = await measured('Drago Drag', 1)
    const due = addDays(todayIs(), 27)
    await page.setViewport({ width: 1280, height: 1100 })
    await open(`/calendar?month=${due.slice(0, 7)}`)
    const place = async (selector: string) => (await (await page.$(selector))!.boundingBox())!
    const from = await place(`[data-day="${due}"] button`)
    const target = addDays(due, new Date(`${due}T00:00:00`).getDay() === 0 ? -1 : 1)
    const to = await place(`[data-day="${target}"]`)
    // The page wakes as the hand comes to it: only then can an entry be dragged.
    await page.mouse.move(from.x + 20, from.y + 10)
    await page.waitForSelector(`[data-day="${due}"] button[draggable=true]`)
    await page.mouse.down()
    await page.mouse.move(from.x + 30, from.y + 14, { steps: 4 })
    await page.mouse.move(to.x + 30, to.y + 60, { steps: 12 })
    await page.waitForSelector(`[data-day="${target}"].bg-white`)
    await page.mouse.up()
    await page.waitForFunction(
      (day) => !!document.querySelector(`[data-day="${day}"] button`),
      {},
      target,
    )
    const { entries } = await server.get<Roster>(
      `/api/clients?search=${encodeURIComponent(client.name)}`,
    )
    expect(entries.find((e) => e.client.id === client.id)!.dueOn).toBe(target)
    await page.click(`[data-day="${target}"] button`)
    await page.waitForSelector('#new-day')
    const reminder = await page.$eval('#reminder', (e) => (e as HTMLTextAreaElement).value)
    expect(withoutFiller(reminder)).toMatch(
      /Hello Drago, your next check-in is on .*\n\n- Same time of day/s,
    )
    await press(page, 'Back to the usual interval')
    await page.waitForFunction(
      (day) => !!document.querySelector(`[data-day="${day}"] button`),
      {},
      due,
    )
  })

  test('is exported as iCalendar, of everybody and of one', async () => {
    const one = await measured('Ica Lendar', 2)
    const text = async (query = '') =>
      (await fetch(`${server.url}/api/calendar.ics${query}`)).text()
    expect(await text()).toContain('SUMMARY:Check-in: Ica Lendar')
    const mine = await text(`?client=${one.id}`)
    expect(mine.match(/BEGIN:VEVENT/g)).toHaveLength(1)
    expect(mine).toContain(`UID:${one.id}@oak-pinch`)
    expect(mine).toContain(`DTSTART;VALUE=DATE:${addDays(todayIs(), 26).replaceAll('-', '')}`)
  })
})

test('a food label says its shares of energy beside the day’s amounts', async () => {
  await open('/reference/food-label')
  for (const [id, text] of Object.entries({ kcal: '440', fatG: '23', carbohydrateG: '34' })) {
    await page.type(`#${id}`, text)
  }
  await page.type('#proteinG', '25')
  await page.waitForSelector('[data-test="label"]')
  expect(await textOf(page, 'label')).toMatch(/fat\s+23\.0\s+207\s+47%\s+29%/)
  await page.type('#servingG', '10')
  await waitForText(page, 'Serving size: enter at least the 82.0 g of its parts')
})

test('no page has an accessibility violation or runs over the side, at either size', async () => {
  const { id } = await measured('Axel Plan')
  const { id: kept } = await measured('Kira Kept')
  await open(`/clients/${kept}/plan`)
  await page.waitForSelector('#goal')
  await page.type('#goal', '60')
  await waitForText(page, 'Of 10,000 simulated outcomes')
  await press(page, 'Save plan')
  await waitForText(page, 'Saved')
  const paths = [
    ...[`/clients/${id}/plan`, '/calendar', '/reference/food-label', `/clients/${kept}/plan`],
    ...[`/clients/${kept}/plan/change`, `/clients/${kept}/plan/sheet`],
  ]
  for (const viewport of [DESK, PHONE]) {
    await page.setViewport(viewport)
    for (const path of paths) {
      await open(path)
      if (await page.$('#goal')) {
        await retype('#goal', '60')
        await page.waitForSelector('[data-test="plan-picture"][data-banded]')
      }
      expect(await flow.violations(page), path).toEqual([])
      const over = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      )
      expect(over, `${path} at ${viewport.width}`).toBeLessThanOrEqual(0)
    }
  }
})
