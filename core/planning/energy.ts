import type { Sex } from '../anatomy/ids'
import { inputError } from '../errors'
import { type StartingPoint, massOfStart } from './goal'
import { KG_PER_POUND } from '../units/constants'

/** Activity factors of resting need. Common practice, no source. */
export const ACTIVITIES = [
  { factor: 1.2, name: 'sits most of the day' },
  { factor: 1.375, name: 'light: one to three sessions a week' },
  { factor: 1.55, name: 'moderate: three to five sessions a week' },
  { factor: 1.725, name: 'hard: six or seven sessions a week' },
  { factor: 1.9, name: 'very hard: twice a day, or heavy work' },
] as const

/** kcal per gram. */
export const KCAL_PER_GRAM = { fat: 9, protein: 4, carbohydrate: 4, alcohol: 7 } as const

/** Static rule: 3500 kcal a pound. Wishnofsky M, Am J Clin Nutr 1958;6:542-546 (from memory); flatters the long run. */
export const STATIC_KCAL_PER_KG = 3500 / KG_PER_POUND

/** The most that body fat can supply, kcal per kg a day. Alpert SS, J Theor Biol 2005;233:1-13 (from memory); a bound, never a target. */
export const FAT_SUPPLY_KCAL = 69.3

/** Intakes under these belong to licensed practice, kcal a day. */
const LEAST_INTAKE: Record<Sex, number> = { male: 1500, female: 1200 }
export const leastIntakeOf = (sex: Sex) => LEAST_INTAKE[sex]

/** More exercise than this is a slip of the hand, kcal a day. Judgement. */
export const MOST_EXERCISE_KCAL = 4000

export type RestingForm = 'lean' | 'athlete' | 'mass'

/** Resting need, kcal a day, by form. */
export const RESTING_FORMS: Record<
  RestingForm,
  { name: string; source: string; kcal(start: StartingPoint): number }
> = {
  lean: {
    name: 'by lean mass',
    source: 'Cunningham JJ, Am J Clin Nutr 1991;54:963-969',
    kcal: ({ leanKg }) => 370 + 21.6 * leanKg,
  },
  athlete: {
    name: 'by lean mass, athletes',
    source: 'Cunningham JJ, Am J Clin Nutr 1980;33:2372-2374',
    kcal: ({ leanKg }) => 500 + 22 * leanKg,
  },
  mass: {
    name: 'by body mass, height and age',
    source: 'Mifflin MD et al., Am J Clin Nutr 1990;51:241-247',
    kcal: (start) => {
      if (start.heightCm === undefined) {
        throw inputError('heightCm', 'missing', 'Height', undefined, 'a height on record')
      }
      if (start.ageYears === undefined) {
        const accepted = 'a birth date or year of birth on record'
        throw inputError('ageYears', 'missing', 'Age', undefined, accepted)
      }
      const bySex = start.sex === 'male' ? 5 : -161
      return 10 * massOfStart(start) + 6.25 * start.heightCm - 5 * start.ageYears + bySex
    },
  },
}

/** Which form to take, and why. */
export function restingFormFor(training: string | undefined): { form: RestingForm; why: string } {
  return training === 'athlete' || training === 'physique'
    ? { form: 'athlete', why: 'trains as an athlete: the form made on athletes' }
    : { form: 'lean', why: 'lean mass is measured, and it is what burns: better than body mass' }
}

export interface EnergyPlan {
  restingKcal: number
  needKcal: number
  /** Below need; negative for a surplus. */
  deficitKcal: number
  /** After the floors and the ceiling. */
  intakeKcal: number
  /** What the body fat can supply a day at most. */
  supplyKcal: number
  /** What binds or asks for care, in sentences. */
  notes: string[]
}

/**
 * Energy a day for a pace by the static rule, held against the ceiling of what body fat can supply and the floor of
 * intake.
 *
 * @param paceKg kg of body mass a week: positive for a loss, negative for a gain
 */
export function energyPlan(
  start: StartingPoint,
  { form, activity, paceKg }: { form: RestingForm; activity: number; paceKg: number },
): EnergyPlan {
  if (!(activity >= 1 && activity <= 2.5)) {
    throw inputError('activity', 'impossible', 'Activity factor', activity, '1 to 2.5')
  }
  const restingKcal = RESTING_FORMS[form].kcal(start)
  const needKcal = restingKcal * activity
  const supplyKcal = FAT_SUPPLY_KCAL * start.fatKg
  const notes: string[] = []
  let deficitKcal = (paceKg * STATIC_KCAL_PER_KG) / 7
  if (deficitKcal > supplyKcal) {
    notes.push(
      `A deficit of ${Math.round(deficitKcal)} kcal is more than this body fat can supply (${Math.round(supplyKcal)} kcal a day): the rest would come from lean. It is held to that.`,
    )
    deficitKcal = supplyKcal
  }
  const floor = LEAST_INTAKE[start.sex]
  if (needKcal - deficitKcal < floor) {
    notes.push(
      `Under ${floor} kcal a day belongs to a physician or registered dietitian. The intake is held there, and the pace is slower for it.`,
    )
    deficitKcal = needKcal - floor
  }
  return {
    restingKcal,
    needKcal,
    deficitKcal,
    intakeKcal: needKcal - deficitKcal,
    supplyKcal,
    notes,
  }
}
