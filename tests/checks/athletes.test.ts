import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import { mean, sampleCorrelation } from 'simple-statistics'
import { describe, expect, test } from 'vitest'
import {
  ATHLETE_FOLDS,
  ATHLETE_SUMS,
  bodyMassIndex,
  estimate,
  READ_CSV,
  sumAmongAthletes,
  type LocatedValue,
} from '#core'

/*
 * 202 athletes: Telford RD, Cunningham RB, Med Sci Sports Exerc 1991;23:788-794, the data set `ais` of R's package sn.
 */
interface Athlete {
  sex: 'male' | 'female'
  [column: string]: string
}
const text = readFileSync(new URL('./data/ais.csv', import.meta.url), 'utf8')
const athletes = Papa.parse<Athlete>(text, READ_CSV).data

test('all are there', () => expect(athletes).toHaveLength(202))

test('the seven folds of Withers on their sums agree with the published fat %', () => {
  const men = athletes.filter((a) => a.sex === 'male')
  const estimated = men.map(({ ssf }) => {
    const each = Number(ssf) / 7
    const folds = {
      triceps: each,
      subscapular: each,
      biceps: each,
      supraspinale: each,
      abdominal: each,
      front_thigh: each,
      medial_calf: each,
    }
    return estimate('withers-7', { sex: 'male', ageYears: 22 }, folds).fatPercent
  })
  const published = men.map(({ bfat }) => Number(bfat))
  const differences = estimated.map((fat, i) => fat - published[i]!)
  expect(mean(differences)).toBeCloseTo(-0.14, 2)
  expect(Math.min(...differences)).toBeGreaterThan(-1.9)
  expect(Math.max(...differences)).toBeLessThan(2.5)
  expect(sampleCorrelation(estimated, published)).toBeCloseTo(0.97, 2)
})

describe('what follows from mass, height and fat %', () => {
  test.each(athletes.map((a) => [`${a.sex} ${a.sport} ${a.wt} kg`, a] as const))(
    '%s',
    (_name, a) => {
      const [mass, height, fat] = [Number(a.wt), Number(a.ht), Number(a.bfat)]
      expect(Math.abs(mass * (1 - fat / 100) - Number(a.lbm))).toBeLessThan(0.5)
      expect(Math.abs(bodyMassIndex(mass, height) - Number(a.bmi))).toBeLessThanOrEqual(0.0101)
    },
  )
})

describe('the sum of seven among athletes', () => {
  const sums = (sex: Athlete['sex']) =>
    athletes
      .filter((a) => a.sex === sex)
      .map(({ ssf }) => Number(ssf))
      .sort((a, b) => a - b)
  const located = (mm: number, change: Partial<LocatedValue> = {}): LocatedValue[] =>
    ATHLETE_FOLDS.map((site) => ({ site, standard: 'int', value: mm / 7, ...change }))

  test.each(['male', 'female'] as const)('the table of %ss is what the data set gives', (sex) => {
    const all = sums(sex)
    ATHLETE_SUMS[sex].forEach((mm, i) => {
      const share = (5 + 5 * i) / 100
      const at = (all.length - 1) * share
      const [low, high] = [all[Math.floor(at)]!, all[Math.ceil(at)]!]
      expect(Math.abs(mm - (low + (high - low) * (at % 1)))).toBeLessThanOrEqual(0.051)
    })
  })

  test.each(['male', 'female'] as const)('every %s has the place that counting gives', (sex) => {
    const all = sums(sex)
    for (const mm of all) {
      const { haveMore, beyond } = sumAmongAthletes(located(mm), sex)!
      const more = (100 * all.filter((other) => other > mm).length) / all.length
      // Within a step of the table; beyond it the outermost is said.
      expect(Math.abs(haveMore - more), `${mm} mm`).toBeLessThanOrEqual(beyond ? 5 : 2.5)
    }
  })

  test('only for the seven folds as that standard takes them', () => {
    expect(sumAmongAthletes(located(70), 'female')!.mm).toBeCloseTo(70, 9)
    expect(sumAmongAthletes(located(70, { standard: 'us' }), 'female')).toBeNull()
    expect(sumAmongAthletes(located(70, { technique: 'supported' }), 'female')).toBeNull()
    expect(sumAmongAthletes(located(70).slice(1), 'female')).toBeNull()
    const crest: LocatedValue = { site: 'iliac_crest', standard: 'int', value: 12 }
    expect(sumAmongAthletes([...located(70), crest], 'female')!.mm).toBeCloseTo(70, 9)
  })
})
