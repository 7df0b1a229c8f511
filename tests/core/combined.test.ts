import { randomLcg, randomNormal } from 'd3-random'
import { sampleStandardDeviation } from 'simple-statistics'
import { describe, expect, test } from 'vitest'
import {
  correctedChanges,
  energyChange,
  isBeyond,
  netSwing,
  pointsOfFat,
  FAT_KCAL_PER_KG,
  LEAN_KCAL_PER_KG,
} from '#core'

/* What is made of the changes of fat, lean and mass: held against drawing fat and lean together many times. */

const DRAWS = 40_000
/** Fat and lean err against one another: what the folds give to the one they take from the other. */
const FAT = { change: -4, sd: 0.9 }
const LEAN = { change: 0.5, sd: 1 }
const TOGETHER = -0.72
const changes = {
  fat: FAT,
  lean: LEAN,
  mass: {
    change: FAT.change + LEAN.change,
    sd: Math.sqrt(FAT.sd ** 2 + LEAN.sd ** 2 + 2 * TOGETHER * FAT.sd * LEAN.sd),
  },
}

/** Changes as they might truly be. */
const drawn = (() => {
  const normal = randomNormal.source(randomLcg(0.42))(0, 1)
  return Array.from({ length: DRAWS }, () => {
    const [a, b] = [normal(), normal()]
    const lean = TOGETHER * a + Math.sqrt(1 - TOGETHER ** 2) * b
    return { fat: FAT.change + FAT.sd * a, lean: LEAN.change + LEAN.sd * lean }
  })
})()
const spreadOf = (of: (one: { fat: number; lean: number }) => number) =>
  sampleStandardDeviation(drawn.map(of))

describe('has the error of fat and lean together', () => {
  test('the net swing and the energy', () => {
    const swing = netSwing(changes)!
    expect(swing.change).toBe(4.5)
    expect(swing.sd / spreadOf(({ fat, lean }) => lean - fat)).toBeCloseTo(1, 1)
    const energy = energyChange(changes)!
    expect(energy.change).toBeCloseTo(-4 * FAT_KCAL_PER_KG + 0.5 * LEAN_KCAL_PER_KG, 6)
    const spread = spreadOf(({ fat, lean }) => FAT_KCAL_PER_KG * fat + LEAN_KCAL_PER_KG * lean)
    expect(Math.abs(energy.sd / spread - 1)).toBeLessThan(0.02)
  })

  test('points of fat %', () => {
    const now = { fatKg: 16, massKg: 80 }
    const points = pointsOfFat(changes, now)!
    // 20 % now, and 20 of 83.5 kg then.
    expect(points.change).toBeCloseTo(20 - (100 * 20) / 83.5, 9)
    const spread = spreadOf(
      ({ fat, lean }) => 20 - (100 * (now.fatKg - fat)) / (now.massKg - fat - lean),
    )
    expect(Math.abs(points.sd / spread - 1)).toBeLessThan(0.03)
  })

  test('nothing where fat and lean are not followed', () => {
    expect(netSwing({ sum: FAT })).toBeUndefined()
    expect(pointsOfFat({ sum: FAT }, { fatKg: 16, massKg: 80 })).toBeUndefined()
  })
})

test('a girth less the fold over it: the limb is a circle, and ten millimeters of fold are pi centimeters', () => {
  const followed = {
    ...{ upper_arm_relaxed: { change: 0, sd: 0.3 }, triceps: { change: -5, sd: 1 } },
    waist: { change: -4, sd: 0.5 },
  }
  expect(correctedChanges(followed)).toEqual([
    {
      ...{ girth: 'upper_arm_relaxed', fold: 'triceps' },
      change: expect.closeTo(Math.PI / 2, 9),
      sd: expect.closeTo(Math.hypot(0.3, Math.PI / 10), 9),
    },
  ])
})

test('of many sites that did not change one in twenty times any is beyond its error', () => {
  const normal = randomNormal.source(randomLcg(0.8))(0, 1)
  for (const sites of [1, 7, 12]) {
    const people = Array.from({ length: 6000 }, () =>
      Array.from({ length: sites }, () => ({ change: 1.3 * normal(), sd: 1.3 })),
    )
    const told = people.filter((of) => of.some((change) => isBeyond(change, sites))).length
    expect(told / people.length).toBeGreaterThan(0.04)
    expect(told / people.length).toBeLessThan(0.06)
  }
})
