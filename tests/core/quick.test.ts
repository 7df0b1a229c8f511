import { tell, told } from '../support/words'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  attempt,
  classify,
  CM_PER_INCH,
  equationById,
  EQUATIONS,
  estimate,
  estimateBySum,
  indicesOf,
  KG_PER_POUND,
  MM_PER_INCH,
  otherPopulation,
  parseFold,
  parseGirth,
  parseTrials,
  summedSets,
  waistName,
  type GirthId,
  type Typed,
  isOfGroup,
  everyResultOf,
  ownProtocol,
  usualRules,
  SEVEN_FOLDS,
} from '#core'
import { thrownBy } from './support'

/* What an estimate without a client stands on: several readings in one field, a sum alone, an age not known. */

const mm = (one: string): Typed => parseFold(one)
const girthInches = (one: string): Typed => parseGirth(one, 'in')

describe('several readings in one field', () => {
  test.each([
    ['12/13', [12, 13]],
    ['12 / 13 / 12.5', [12, 13, 12.5]],
    ['12;13', [12, 13]],
    ['7/8', [7, 8]],
    ['12,5/13', [12.5, 13]],
    ['14', [14]],
  ])('millimetres: %s', (text, readings) => {
    const read = parseTrials(text, mm, false)
    if (!read.ok) throw read.error
    expect(read.value.trials.map(({ value }) => value)).toEqual(readings)
    expect(read.value.value).toBeCloseTo(readings.reduce((a, b) => a + b) / readings.length, 12)
  })

  test('inches: a stroke is a fraction, a semicolon parts readings', () => {
    const inches = (one: string) => parseFold(`${one} in`)
    const one = parseTrials('3/8', inches, true)
    expect(one.ok && one.value.value).toBeCloseTo((3 / 8) * MM_PER_INCH, 12)
    const two = parseTrials('3/8; 7/16', inches, true)
    expect(two.ok && two.value.value).toBeCloseTo(((3 / 8 + 7 / 16) / 2) * MM_PER_INCH, 12)
    const waist = parseTrials('32 1/4', girthInches, true)
    expect(waist.ok && waist.value.value).toBeCloseTo(32.25 * CM_PER_INCH, 12)
  })

  test('what is neither is refused with the whole text', () => {
    for (const text of ['12/x', '/', 'twelve', '12/']) {
      const read = parseTrials(text, mm, false)
      expect(read.ok, text).toBe(false)
    }
    const read = parseTrials('12/x', mm, false)
    expect(told(!read.ok && read.error.said)).toContain('12/x')
  })
})

describe('a sum alone', () => {
  test('gives what the folds would, by every equation that sums them alike', () => {
    for (const sex of ['male', 'female'] as const) {
      for (const set of summedSets(sex)) {
        fc.assert(
          fc.property(
            fc.integer({ min: 6, max: 16 }),
            fc.integer({ min: 18, max: 50 }),
            (each, ageYears) => {
              const subject = { sex, ageYears, massKg: 70 }
              const uneven = Object.fromEntries(
                set.folds.map((site, i) => [site, each + (i === 0 ? 2 : i === 1 ? -2 : 0)]),
              )
              const sum = each * set.folds.length
              for (const made of estimateBySum(subject, sum, set)) {
                const byFolds = attempt(() => estimate(made.equation.id, subject, uneven))
                expect(made.ok, made.equation.id).toBe(byFolds.ok)
                if (!made.ok || !byFolds.ok) continue
                expect(made.estimate.fatPercent).toBeCloseTo(byFolds.value.fatPercent, 9)
                expect(made.estimate.sumMm).toBeCloseTo(sum, 9)
              }
            },
          ),
          { numRuns: 20, seed: 7 },
        )
      }
    }
  })

  /* The sheet of the printed chart (common practice, no source): seven folds of 67 mm at 34 years are 11.48 %. */
  test('seven folds by sum and age', () => {
    // What most people mean by a sum comes first; one that only old records are kept by, last.
    for (const sex of ['male', 'female'] as const) {
      const sets = summedSets(sex)
      expect(sets[0]!.equationIds).toContain('jackson-pollock-7')
      expect(sets.at(-1)!.equationIds).toEqual(['parizkova-10'])
    }
    const seven = summedSets('male').find(({ folds }) => folds.length === 7)!
    const made = estimateBySum({ sex: 'male', ageYears: 34 }, 67, seven)
    const found = made.find(({ equation }) => equation.id === 'jackson-pollock-7')!
    expect(found.ok && found.estimate.sumMm).toBeCloseTo(67, 9)
    // 1.112 - 0.00043499 S + 0.00000055 S² - 0.00028826 age (Jackson and Pollock 1978), then Siri.
    const density = 1.112 - 0.00043499 * 67 + 0.00000055 * 67 ** 2 - 0.00028826 * 34
    expect(found.ok && found.estimate.fatPercent).toBeCloseTo(495 / density - 450, 9)
  })
})

describe('an age that is not known', () => {
  test('stops only the equations that count it', () => {
    // Tape of a woman (common practice, no source): 65 in, neck 14, waist 28, hip 36 in are 21.8 %.
    const woman = { sex: 'female', heightCm: 65 * CM_PER_INCH } as const
    const girths = { neck: 14 * CM_PER_INCH, waist: 28 * CM_PER_INCH, hip: 36 * CM_PER_INCH }
    const made = estimate('navy-inch', woman, girths)
    expect(made.fatPercent).toBeCloseTo(21.8, 1)
    expect(told(made.warnings)).toContain(
      'The age is not known: the equation was made on 18 to 56 years.',
    )
    expect(estimate('navy-inch', { ...woman, ageYears: 30 }, girths).fatPercent).toBe(
      made.fatPercent,
    )

    const folds = { triceps: 15, suprailiac: 14, thigh: 20 }
    expect(thrownBy(() => estimate('jackson-pollock-3', { sex: 'female' }, folds))).toMatchObject({
      ...{ input: 'ageYears', problem: 'missing' },
    })
    // The rows of an equation by age are picked by it.
    const dw = { biceps: 8, triceps: 15, subscapular: 12, iliac_crest: 14 }
    expect(
      told(thrownBy(() => estimate('durnin-womersley-4', { sex: 'female' }, dw))),
    ).toMatchObject({
      input: 'ageYears',
    })
  })

  test('is taken for an adult’s by the tables of one column, and by no table by age', () => {
    expect(told(classify('bmi-who', 27, { sex: 'male' })!.band.name)).toBe('pre-obese')
    expect(classify('bmi-who', 27, { sex: 'male', ageYears: 15 })).toBeNull()
    expect(classify('coaching-age', 20, { sex: 'male' })).toBeNull()
    expect(classify('gallagher-white', 20, { sex: 'male' })).toBeNull()
  })
})

test('limits that are printed as over a value begin over it', () => {
  const band = (sex: 'male' | 'female', cm: number, table = 'waist-who') =>
    classify(table, cm, { sex, ageYears: 40 }, 'waist_midway')!.bands.findIndex(
      ({ from, to }) => cm >= from && cm < to,
    )
  // World Health Organization, Waist circumference and waist-hip ratio, 2008: over 94 and 102, 80 and 88 cm (from memory).
  for (const [sex, cm, at] of [
    ...[['male', 94, 0] as const, ['male', 94.1, 1] as const, ['male', 102, 1] as const],
    ...[['male', 102.1, 2] as const, ['female', 80, 0] as const, ['female', 80.1, 1] as const],
    ...[['female', 88, 1] as const, ['female', 88.1, 2] as const],
  ])
    expect(band(sex, cm), `${sex} ${cm}`).toBe(at)
  expect(band('female', 110.1, 'waist-acsm')).toBe(band('female', 110, 'waist-acsm') + 1)
})

describe('whom an equation was made on', () => {
  const of = (id: string, subject: Parameters<typeof otherPopulation>[1], athlete = false) =>
    otherPopulation(equationById(id), subject, athlete)

  test('one made on a group is offered to those of it alone, and leads no set of others', () => {
    const offered = (id: string, ageYears: number, athlete = false) =>
      isOfGroup(equationById(id), { sex: 'male', ageYears }, athlete)
    expect([offered('lohman-wrestlers', 17), offered('reilly-4', 24, true)]).toEqual([false, false])
    expect([offered('visser-2', 59), offered('visser-2', 60)]).toEqual([false, true])
    expect([offered('boileau-2', 12), offered('boileau-2', 30)]).toEqual([true, false])
    expect([offered('thorland-3', 16, true), offered('thorland-3', 16)]).toEqual([true, false])
    expect(offered('withers-7', 40)).toBe(true)
    const man = { sex: 'male', birthDate: '1980-05-01', birthYear: null, heightCm: 180 } as const
    const readings = SEVEN_FOLDS.map((site, i) => ({
      ...{ id: String(i), kind: 'skinfold' as const, site, standard: 'us' as const, trial: 1 },
      ...{ value: 12, takenAt: '2026-03-02T09:00:00Z', supersedes: null },
    }))
    const record = {
      ...{ protocolId: 'seven-fold', ownProtocol: null, tolerance: null },
      ...{ conversion: 'siri' as const, measuredOn: '2026-03-02', readings },
    }
    const ids = everyResultOf(man, record).map(({ equation }) => equation.id)
    expect(ids).toContain('ball-7')
    expect(ids.filter((id) => /wrestlers|thorland|boileau/.test(id))).toEqual([])
    const own = ownProtocol({
      ...{ id: 'own-two', name: 'Two', standard: 'us', girths: [], ...usualRules('us') },
      folds: ['triceps', 'subscapular', 'abdominal'],
    })
    expect(own.equations.male[0]).toBe('katch-mcardle-3')
    expect(own.equations.male).toContain('lohman-wrestlers')
  })

  test('athletes, youth and people with obesity are told from the rest', () => {
    const man = { sex: 'male', ageYears: 40, heightCm: 180, massKg: 80 } as const
    expect(of('jackson-pollock-7', man)).toBeUndefined()
    expect(of('withers-7', man)).toBe('athletes')
    expect(of('withers-7', man, true)).toBeUndefined()
    expect(of('faulkner-4', man)).toBe('athletes')
    expect(of('slaughter-2-calf', man)).toBe('youth')
    expect(of('slaughter-2-calf', { ...man, ageYears: 14 })).toBeUndefined()
    expect(of('jackson-pollock-7', { ...man, ageYears: 14 })).toBe('adults')
    expect(of('weltman-obese', man)).toBe('obesity')
    expect(of('weltman-obese', { ...man, massKg: 100 })).toBeUndefined()
    expect(of('weltman-obese', { sex: 'male' })).toBe('obesity')
  })

  test('what a sample’s words name is what it is filed under', () => {
    for (const { variants } of EQUATIONS) {
      for (const { population, madeOn } of variants) {
        const who = tell(population)
        expect(/athletes|swimmers/i.test(who), who).toBe(/athletes/.test(madeOn ?? ''))
        expect(/boys|girls/.test(who), who).toBe(madeOn === 'youth' || madeOn === 'young-athletes')
        expect(/wrestlers|soccer/.test(who), who).toBe(
          madeOn === 'wrestlers' || madeOn === 'soccer',
        )
        expect(/of 60 to/.test(who), who).toBe(madeOn === 'older')
        expect(/obesity/.test(who), who).toBe(madeOn === 'obesity')
      }
    }
  })
})

describe('indices', () => {
  const inches = (girths: Partial<Record<GirthId, number>>) =>
    Object.fromEntries(Object.entries(girths).map(([id, value = NaN]) => [id, value * CM_PER_INCH]))

  test('every waist that was taken has its own, with the tables made for it first', () => {
    const found = indicesOf({
      ...{ sex: 'male', ageYears: 45, heightCm: 70 * CM_PER_INCH, massKg: 190 * KG_PER_POUND },
      girths: inches({ waist: 39, abdomen: 40, hip: 40 }),
    })
    const by = (id: string, waist?: string) => found.find((f) => f.id === id && f.waist === waist)!
    // Common practice, no source: 27.26 and 0.975.
    expect(by('bmi').value).toBeCloseTo(27.26, 2)
    expect(told(by('bmi').classes.map(({ band }) => band.name))).toEqual(['pre-obese'])
    expect(by('waistToHip', 'waist').value).toBeCloseTo(0.975, 9)
    expect(by('waistToHip', 'waist').classes[0]!.table.id).toBe('whr-coaching')
    expect(told(by('waistToHip', 'waist').classes[0]!.band.name)).toBe('at risk')
    expect(by('waistToHip', 'abdomen').value).toBeCloseTo(1, 9)
    expect(by('waistToHeight', 'abdomen').value).toBeCloseTo(40 / 70, 9)
    expect(by('waist', 'waist').classes[0]!.table.id).toBe('waist-acsm')
    expect(by('waist', 'waist').classes[0]!.girthNote).toBeUndefined()
    // No table is made for a waist at the navel: each says for which it is.
    expect(by('waist', 'abdomen').classes.every(({ girthNote }) => girthNote)).toBe(true)
    expect(told(waistName('abdomen'))).toBe('at the navel')
  })

  test('40 inches in a man are the limit by one table and at risk by another', () => {
    for (const [sex, limit] of [
      ['male', 40],
      ['female', 35],
    ] as const) {
      const at = (value: number) => {
        const [waist] = indicesOf({ sex, ageYears: 50, girths: inches({ iliac: value }) })
        const by = (id: string) => waist!.classes.find(({ table }) => table.id === id)!.band.name
        return [by('waist-over-40-in'), by('waist-from-40-in')]
      }
      expect(told(at(limit))).toEqual(['not at risk', 'at risk'])
      expect(told(at(limit + 1 / 8))).toEqual(['at risk', 'at risk'])
      expect(told(at(limit - 1 / 8))).toEqual(['not at risk', 'not at risk'])
    }
  })

  test('what its inputs do not allow is not there', () => {
    expect(indicesOf({ sex: 'male', girths: { hip: 100 }, heightCm: 180 })).toEqual([])
    const onlyWaist = indicesOf({ sex: 'male', girths: { waist: 90 } })
    expect(onlyWaist.map(({ id }) => id)).toEqual(['waist'])
  })
})
