import { type Words, num, say, lower } from '../say'
import type { KnownGirth, KnownFold, BreadthId } from '../anatomy/ids'
import { nameOf, namesOf } from '../anatomy/names'
import type { Basis, Inputs, Puberty, Term, Variant } from './types'
import { inputError } from '../errors'
import { CM_PER_INCH, KG_PER_POUND } from '../units/constants'
import { bmiOf } from '../units/bmi'

/** What an equation asks for besides folds and age: nothing. */
export const FOLDS_ALONE = { girths: [], needs: [] } satisfies Partial<Variant>

/* What coefficients multiply. Published forms in inches and pounds convert here, so that inputs are always cm and kg. */

export const constant: Basis = { label: '1', value: () => 1 }
export const sum: Basis = { label: 'S', value: (x) => x.sum }
export const sumSquared: Basis = { label: 'S²', value: (x) => x.sum * x.sum }
export const log10Sum: Basis = { label: say('methods.log10S'), value: (x) => Math.log10(x.sum) }
export const age: Basis = { label: say('methods.age'), value: (x) => x.age }
export const male: Basis = { label: say('methods.male'), value: (x) => (x.sex === 'male' ? 1 : 0) }
/** One where the source's term for Black people is set, else none. */
export const group: Basis = {
  label: say('methods.group'),
  value: (x) => (x.groupTerm === 'black' ? 1 : 0),
}
export const massKg: Basis = { label: say('methods.massKg'), value: (x) => x.massKg }
export const massLb: Basis = { label: say('methods.massLb'), value: (x) => x.massKg / KG_PER_POUND }
export const heightCm: Basis = { label: say('methods.heightCm'), value: (x) => x.heightCm }
export const log10Height: Basis = {
  label: say('methods.log10HeightCm'),
  value: (x) => Math.log10(x.heightCm),
}
export const log10HeightInches: Basis = {
  label: say('methods.log10Height'),
  value: (x) => Math.log10(x.heightCm / CM_PER_INCH),
}
export const bmi: Basis = {
  label: say('methods.bmi'),
  value: (x) => bmiOf(x.massKg, x.heightCm),
}
export const sumPerPound: Basis = {
  label: say('methods.sMassLb'),
  value: (x) => x.sum / (x.massKg / KG_PER_POUND),
}
export const heightPerIliac: Basis = {
  label: say('methods.heightWaist'),
  value: (x) => x.heightCm / x.values.iliac!,
}

/** Several things multiplied with one another. */
export function product(...of: Basis[]): Basis {
  const [first, ...rest] = of
  return {
    label: rest.reduce<Words>(
      (all, { label }) => say('methods.product', { all, label }),
      first!.label,
    ),
    value: (x) => of.reduce((total, basis) => total * basis.value(x), 1),
    of,
  }
}

export const female: Basis = {
  label: say('methods.female'),
  value: (x) => (x.sex === 'female' ? 1 : 0),
}
export const perBmi: Basis = { label: say('methods.oneOverBmi'), value: (x) => 1 / bmi.value(x) }
export const perKg: Basis = { label: say('methods.oneOverMassKg'), value: (x) => 1 / x.massKg }
export const perPound: Basis = {
  label: say('methods.oneOverMassLb'),
  value: (x) => 1 / massLb.value(x),
}
/** Hip (cm) over height (m) to the power of 1.5. */
export const hipPerHeight: Basis = {
  label: say('methods.hipOverHeight'),
  value: (x) => x.values.hip! / (x.heightCm / 100) ** 1.5,
}

const STAGE_LABELS: Record<Puberty, Words> = {
  before: say('methods.beforePuberty'),
  in: say('methods.inPuberty'),
  after: say('methods.afterPuberty'),
}

/** One in a stage of puberty, else none. */
export const inStage = (stage: Puberty): Basis => ({
  label: STAGE_LABELS[stage],
  value: (x) => (x.puberty === stage ? 1 : 0),
})

/** Where a form has two pieces, by its sum: one up to this many mm, else none; and the other way about. */
export const sumUpTo = (mm: number): Basis => ({
  label: say('methods.sumUpTo', { mm }),
  value: (x) => (x.sum <= mm ? 1 : 0),
})
export const sumOver = (mm: number): Basis => ({
  label: say('methods.sumOver', { mm }),
  value: (x) => (x.sum > mm ? 1 : 0),
})

/** One fold, mm. */
export function foldOf(site: KnownFold): Basis {
  return { label: lower(nameOf(site)), value: (x) => x.values[site]! }
}

/** One girth or breadth, cm. */
export function girthOf(girth: KnownGirth | BreadthId): Basis {
  return { label: lower(nameOf(girth)), value: (x) => x.values[girth]! }
}

/** One fold (mm) or girth (cm) over body mass, kg. */
export const foldPerMass = (site: KnownFold): Basis => product(foldOf(site), perKg)
export const girthPerMass = (girth: KnownGirth): Basis => product(girthOf(girth), perKg)

/** One girth, inches, over body mass, lb. */
export const inchesPerPound = (girth: KnownGirth): Basis => product(girthInches(girth), perPound)

/** One girth, inches. */
export function girthInches(girth: KnownGirth): Basis {
  return {
    label: say('methods.inches', { girth: lower(nameOf(girth)) }),
    value: (x) => x.values[girth]! / CM_PER_INCH,
  }
}

/** The abdomen of the papers is the mean of two levels; without the midway one, the navel alone stands for it. */
export function meanAbdomen({ values }: Pick<Inputs, 'values'>): number {
  const navel = values.abdomen!
  return values.waist_midway === undefined ? navel : (navel + values.waist_midway) / 2
}

export const abdomen: Basis = { label: say('methods.abdomen'), value: meanAbdomen }
export const abdomenSquared: Basis = {
  label: say('methods.abdomen2'),
  value: (x) => meanAbdomen(x) ** 2,
}

/**
 * The logarithm of what is left of some girths when others are taken away, as the tape methods have it.
 *
 * @param perUnit cm in the unit of the published form
 */
export function log10Girths(
  plus: KnownGirth[],
  minus: KnownGirth,
  perUnit: 1 | typeof CM_PER_INCH,
): Basis {
  const names = namesOf(plus, 'plus')
  return {
    label: say('methods.log10', { names, minus: lower(nameOf(minus)) }),
    value: ({ values }) => {
      const total = plus.reduce((all, girth) => all + values[girth]!, 0)
      const left = total - values[minus]!
      if (!(left > 0)) {
        throw inputError(
          minus,
          'impossible',
          nameOf(minus),
          values[minus],
          say('methods.lessCm', { names, total: num(total, 1) }),
        )
      }
      return Math.log10(left / perUnit)
    },
  }
}

/** Pairs a coefficient with what it multiplies, so that an equation reads like its printed form. */
export function term(coefficient: number, of: Basis): Term {
  return { coefficient, of }
}
