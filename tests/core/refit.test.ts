import { expect, test } from 'vitest'
import { figuresWith, refit, REFIT_PEOPLE, seriesOf, USUAL_FIGURES } from '#core'
import { gymIn, WORLDS } from './worlds'

/* What a gym's own records tell of its errors, where the truth is known: forty people of a gym, followed for forty weeks. */

const PEOPLE = 40
/** A gym takes a second to follow and to read; a busy machine five. */
const found = (world: Parameters<typeof gymIn>[0]) => refit(gymIn(world, PEOPLE))!

test('where the errors are the usual ones, the usual ones are found', () => {
  const own = found(WORLDS.ideal)
  const { technical, session } = USUAL_FIGURES
  expect(own.technical / technical).toBeGreaterThan(0.75)
  expect(own.technical / technical).toBeLessThan(1.25)
  expect(own.session / session).toBeGreaterThan(0.66)
  expect(own.session / session).toBeLessThan(1.5)
  expect(Math.abs(own.massKg - WORLDS.ideal.massKg)).toBeLessThan(0.12)
})

test('larger errors are found where they are: of the sites, of the day, of the scale', () => {
  expect(found(WORLDS.double).technical).toBeGreaterThan(1.4)
  expect(found(WORLDS.session).session).toBeGreaterThan(0.018)
  expect(Math.abs(found(WORLDS.water).massKg - WORLDS.water.massKg)).toBeLessThan(0.25)
})

test('a gym that agrees with itself is not believed without limit', () => {
  const own = found({ ...WORLDS.ideal, session: 0, errors: 0, massKg: 0 })
  expect(own.session).toBe(0.01)
  expect(own.technical).toBe(0.5)
  expect(own.massKg).toBe(0.3)
  expect(figuresWith(own).driftPoints).toBe(USUAL_FIGURES.driftPoints)
})

test('too few people, or people measured too seldom, tell nothing', () => {
  const enough = gymIn(WORLDS.double, REFIT_PEOPLE)
  expect(refit(enough)).toBeDefined()
  expect(refit(enough.slice(1))).toBeUndefined()
  const { days, pairs } = enough[0]!
  const visits = days.map(({ visit }) => visit)
  const readOf = new Map(days.map(({ visit, read }) => [visit, read]))
  const series = (count: number) => seriesOf(visits.slice(0, count), pairs, (v) => readOf.get(v))
  expect(series(3)).toBeUndefined()
  expect(series(4)!.days).toHaveLength(4)
})
