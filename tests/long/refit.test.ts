import { expect, test } from 'vitest'
import { figuresWith, refit } from '#core'
import { gymIn, measureWorld, WORLDS } from '../core/worlds'

/* Judged by the figures of the gym's own records, where the usual ones are far from the truth: forty other people. */

const PEOPLE = 40

test('what the usual figures leave out of the intervals of the mass, the gym’s own take in', () => {
  const own = refit(gymIn(WORLDS.water, PEOPLE, 500))
  const by = measureWorld('water', PEOPLE, figuresWith(own))
  // By the usual figures 77 %, and 11 % of unchanged people are told of lean that they did not lose.
  expect(by.leastMass).toBeGreaterThan(88)
  expect(by.falseLean).toBeLessThanOrEqual(6 + 7.5)
  expect(by.weeksSlow).toBeLessThanOrEqual(24)
})

test('where the errors are as usual, a refit costs no power and makes no false alarm', () => {
  const own = refit(gymIn(WORLDS.ideal, PEOPLE, 500))
  const by = measureWorld('ideal', PEOPLE, figuresWith(own))
  expect(by.falseFat).toBeLessThanOrEqual(6 + 7.5)
  expect(by.falseLean).toBeLessThanOrEqual(6 + 7.5)
  expect(by.weeksHalf).toBeLessThanOrEqual(9)
  expect(by.weeksQuarter).toBeLessThanOrEqual(16)
  expect(by.leastFat).toBeGreaterThan(92)
})
