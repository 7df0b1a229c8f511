import { tell, told } from '../support/words'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  attempt,
  EQUATIONS,
  estimate,
  estimateEvery,
  InputError,
  landmarkOf,
  standardWithin,
  sensitivity,
  SEVEN_FOLDS,
  working,
  type LocatedValue,
  type SiteId,
  type Subject,
  type Term,
  type Values,
  type Variant,
} from '#core'
import { plausibleValue, thrownBy } from './support'

const man: Subject = { sex: 'male', ageYears: 40, massKg: 80 }
const folds: Values = Object.fromEntries(SEVEN_FOLDS.map((site) => [site, 15]))

describe('what is refused names the input, what was got and what is accepted', () => {
  const refuse = (run: () => unknown) => {
    const error = thrownBy(run)
    expect(error).toBeInstanceOf(InputError)
    return error as InputError
  }

  test.each([
    ['a missing fold', { ...folds, thigh: undefined }, 'thigh', /^Thigh: enter 3 to 100 mm\.$/],
    ['no number', { ...folds, chest: NaN }, 'chest', /^Chest: enter 2 to 100 mm\.$/],
    ['a decimal point lost', { ...folds, abdominal: 195 }, 'abdominal', /Got 195/],
    ['a fold of nothing', { ...folds, triceps: 0 }, 'triceps', /Got 0/],
  ])('%s', (_what, values, input, words) => {
    const error = refuse(() => estimate('jackson-pollock-7', man, values as Values))
    expect(error.input).toBe(input)
    expect(tell(error.said)).toMatch(words)
  })

  test('ages under the youngest, and decimals floored', () => {
    expect(
      refuse(() => estimate('jackson-pollock-7', { ...man, ageYears: 17.9 }, folds)).input,
    ).toBe('ageYears')
    const at40 = estimate('jackson-pollock-7', man, folds)
    expect(estimate('jackson-pollock-7', { ...man, ageYears: 40.9 }, folds)).toEqual(at40)
  })

  test('another standard, equation, sex or conversion', () => {
    const options = { standard: 'int' } as const
    expect(refuse(() => estimate('jackson-pollock-7', man, folds, options)).input).toBe('standard')
    expect(refuse(() => estimate('no-such', man, folds)).input).toBe('equation')
    expect(
      refuse(() => estimate('jackson-pollock-7', { ...man, sex: 'x' as 'male' }, folds)).input,
    ).toBe('sex')
    expect(
      refuse(() => estimate('jackson-pollock-7', man, folds, { conversion: 'x' as 'siri' })).input,
    ).toBe('conversion')
  })

  test('a sum past the turning point, with a warning from 90 % of it', () => {
    const women = { sex: 'female', ageYears: 30 } as const
    const past = { triceps: 73, suprailiac: 73, thigh: 73 }
    expect(refuse(() => estimate('jackson-pollock-3', women, past)).input).toBe('sum')
    const close = estimate('jackson-pollock-3', women, { triceps: 66, suprailiac: 66, thigh: 66 })
    expect(told(close.warnings).join()).toMatch(/limit of this equation/)
  })

  test('over the oldest age and outside the sample only warns', () => {
    const { warnings } = estimate('jackson-pollock-7', { ...man, ageYears: 70 }, folds)
    expect(told(warnings)).toEqual([expect.stringMatching(/oldest of the source \(61\)/)])
    const lean = Object.fromEntries(SEVEN_FOLDS.map((site) => [site, 4]))
    expect(told(estimate('jackson-pollock-7', man, lean).warnings).join()).toMatch(
      /outside the sample/,
    )
  })
})

test('the working ends in the estimate, and its terms add up to the density', () => {
  const steps = working('jackson-pollock-7', man, folds)
  const result = estimate('jackson-pollock-7', man, folds)
  const value = (label: string) => steps.find((s) => tell(s.label) === label)!.value
  expect(value('Sum S')).toBe(105)
  expect(value('constant') + value('S term') + value('S² term') + value('age term')).toBeCloseTo(
    result.density!,
    12,
  )
  expect(value('Fat % (Siri)')).toBe(result.fatPercent)
  expect(value('Lean mass')).toBe(result.leanMassKg)
  expect(result.fatMassKg! + result.leanMassKg!).toBeCloseTo(80, 12)
})

describe('properties over every equation', () => {
  const cases = EQUATIONS.flatMap((equation) =>
    equation.variants.map((variant) => ({ equation, variant })),
  )
  const agesOf = ({ ages }: Variant) =>
    fc.integer({ min: ages?.youngest ?? 18, max: Math.min(ages?.oldest ?? 80, 100) })
  const masses = fc.double({ min: 45, max: 150, noNaN: true })
  const heights = fc.double({ min: 145, max: 205, noNaN: true })
  /** More is more fat; but a thicker neck is less by the tape methods' own design, and one fold or girth as its source prints it. */
  const falls: Record<string, SiteId> = {
    ...{ 'forsyth-sinning-4': 'midaxillary', 'katch-mcardle-2-elbow': 'humerus' },
    ...{ 'withers-4-girths': 'bust' },
  }
  const growing = (id: string, sites: SiteId[]) =>
    sites.filter((site) => site !== 'neck' && site !== falls[id])

  const measured = cases.filter(({ variant }) => [...variant.folds, ...variant.girths].length > 0)

  test.each(measured)(
    '$equation.id, $variant.sex: more never gives less fat',
    ({ equation, variant }) => {
      const sites = [...variant.folds, ...variant.girths]
      let compared = 0
      fc.assert(
        fc.property(
          fc.record(Object.fromEntries(sites.map((site) => [site, plausibleValue(site)]))),
          fc.record({ ageYears: agesOf(variant), massKg: masses, heightCm: heights }),
          fc.constantFrom(...growing(equation.id, sites)),
          fc.double({ min: 0, max: 5, noNaN: true }),
          (values, person, site, more) => {
            const subject: Subject = { sex: variant.sex, ...person, puberty: 'after' }
            const fat = (v: Values) => attempt(() => estimate(equation.id, subject, v).fatPercent)
            const [before, after] = [fat(values), fat({ ...values, [site]: values[site]! + more })]
            if (!before.ok || !after.ok) return
            compared++
            expect(after.value).toBeGreaterThanOrEqual(before.value - 1e-9)
          },
        ),
      )
      expect(compared).toBeGreaterThan(0)
    },
  )

  test('no input whatever makes NaN or Infinity', () => {
    const anything = fc.oneof(
      fc.double(),
      fc.constant(undefined),
      fc.integer(),
      fc.string(),
      fc.double({ min: 2, max: 90 }),
    )
    fc.assert(
      fc.property(
        fc.constantFrom(...cases),
        fc.array(anything, { minLength: 10, maxLength: 10 }),
        fc.tuple(anything, anything, anything),
        ({ equation, variant }, values, [ageYears, massKg, heightCm]) => {
          const sites = [...variant.folds, ...variant.girths]
          const typed = Object.fromEntries(sites.map((site, i) => [site, values[i]])) as Values
          const subject = { sex: variant.sex, ageYears, massKg, heightCm } as Subject
          const result = attempt(() => estimate(equation.id, subject, typed))
          if (!result.ok) return
          const numbers = Object.values(result.value).filter((v) => typeof v === 'number')
          expect(numbers.every(Number.isFinite)).toBe(true)
        },
      ),
      { numRuns: 2000 },
    )
  })

  test('every quadratic turns over where the registry says', () => {
    for (const { variant } of cases.filter(({ variant: v }) => v.turning?.of === 'sum')) {
      const terms = variant.terms as Term[]
      const of = (label: string) => terms.find((t) => t.of.label === label)!.coefficient
      expect(Math.abs(-of('S') / (2 * of('S²')) - variant.turning!.at)).toBeLessThan(1)
    }
  })

  test('every equation has a card: citation, population, grade, and landmarks for its folds', () => {
    for (const { equation, variant } of cases) {
      expect(variant.citation && variant.population && variant.grade).toBeTruthy()
      for (const site of variant.folds) {
        expect(
          landmarkOf(site, standardWithin(site, equation.standard!)!),
          `${equation.id} ${site}`,
        ).toBeDefined()
      }
    }
    expect(new Set(EQUATIONS.map((e) => e.id)).size).toBe(58)
  })
})

test('the population term is off unless set, and says so when on', () => {
  const athlete: Subject = { sex: 'male', ageYears: 21 }
  const [off, on, other] = [undefined, 'black' as const, 'asian' as const].map((groupTerm) =>
    estimate('evans-7', { ...athlete, groupTerm }, folds),
  )
  expect(off!.fatPercent - on!.fatPercent).toBeCloseTo(2.545, 9)
  expect([told(off!.warnings), other]).toEqual([[], off])
  expect(told(on!.warnings).join()).toMatch(/term for Black people/)
  // Slaughter's takes 1.5 points more off up to 35 mm before puberty; past it, and in who is of no group, nothing.
  const boy = { sex: 'male', ageYears: 10, puberty: 'before' } as const
  const youth = (triceps: number, groupTerm?: 'black') =>
    estimate('slaughter-2', { ...boy, groupTerm }, { triceps, subscapular: 10 }).fatPercent
  expect(youth(12) - youth(12, 'black')).toBeCloseTo(1.5, 9)
  expect(youth(30)).toBe(youth(30, 'black'))
  const unknown = { ...athlete, groupTerm: 'other' as 'black' }
  expect(attempt(() => estimate('evans-7', unknown, folds))).toMatchObject({
    error: { input: 'groupTerm', problem: 'unknown', got: 'other' },
  })
})

test('from seven folds every equation that they allow is computed, in the right standard only', () => {
  const measured = SEVEN_FOLDS.map((site) => ({
    site,
    standard: 'us' as const,
    value: folds[site]!,
  }))
  const ids = (values: LocatedValue[]) => estimateEvery(man, values).map((r) => r.equation.id)
  expect(ids(measured)).toEqual([
    ...['7', '3', '3-upper', '4-direct', '3-direct'].map((name) => `jackson-pollock-${name}`),
    ...['evans-7', 'evans-3', 'sloan-2', 'ball-7', 'guedes-3', 'wilmore-behnke-folds'],
    ...['katch-mcardle-3', 'forsyth-sinning-4', 'forsyth-sinning-2', 'thorland-3'],
    ...['lohman-wrestlers', 'boileau-2'],
  ])
  const foreign = measured.map((m) => ({ ...m, standard: 'int' as const }))
  expect(ids(foreign)).toEqual([])
  const mixed: LocatedValue[] = [
    { site: 'biceps', standard: 'us', value: 5 },
    { site: 'triceps', standard: 'int', value: 10 },
    { site: 'subscapular', standard: 'us', value: 12 },
    { site: 'iliac_crest', standard: 'int', value: 14 },
  ]
  expect(ids(mixed)).toEqual(
    ['womersley-4', 'rahaman-4', 'rahaman-youth'].map((name) => `durnin-${name}`).concat('brook-4'),
  )
})

test('what one millimetre does to the result', () => {
  const effect = sensitivity((v) => estimate('jackson-pollock-3', man, v).fatPercent, {
    chest: 10,
    abdominal: 20,
    thigh: 12,
  })
  const [before, after] = [42, 43].map((sum) => {
    const third = sum / 3
    return estimate('jackson-pollock-3', man, { chest: third, abdominal: third, thigh: third })
      .fatPercent
  })
  for (const points of Object.values(effect)) expect(points).toBeCloseTo(after! - before!, 9)
})

test('less than no fat is no result, and is refused with what came out', () => {
  const tall = { sex: 'male', ageYears: 30, heightCm: 200 } as const
  const error = thrownBy(() => estimate('navy-inch', tall, { neck: 45, abdomen: 60 }))
  expect(tell((error as InputError).said)).toMatch(/They give [−-]\d+\.\d%, which is not a result/)
})
