import { type Message, say, type Words } from '../say'
import type { Sex } from '../anatomy/ids'
import { inputError } from '../errors'
import { type StartingPoint, massOfStart } from './goal'
import { KG_PER_POUND } from '../units/constants'

/** Activity factors of resting need. Common practice, no source. */
export const ACTIVITIES = [
  { factor: 1.2, name: say('planning.sitsMostDay') },
  { factor: 1.375, name: say('planning.lightOneThreeSessionsWeek') },
  { factor: 1.55, name: say('planning.moderateThreeFiveSessionsWeek') },
  { factor: 1.725, name: say('planning.hardSixSevenSessionsWeek') },
  { factor: 1.9, name: say('planning.veryHardTwiceDayHeavy') },
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

/** Ids of the forms of resting need. */
export const RESTING_FORM_IDS = ['lean', 'athlete', 'mass', 'recreational', 'mass-1984'] as const
export type RestingForm = (typeof RESTING_FORM_IDS)[number]

/** What the forms by body mass count. @throws InputError naming what is not known */
function bodyOf(start: StartingPoint) {
  const { heightCm, ageYears } = start
  if (heightCm === undefined) {
    throw inputError(
      'heightCm',
      'missing',
      say('planning.height'),
      undefined,
      say('planning.heightRecord'),
    )
  }
  if (ageYears === undefined) {
    const accepted = say('planning.birthDateYearBirthRecord')
    throw inputError('ageYears', 'missing', say('planning.age'), undefined, accepted)
  }
  return { kg: massOfStart(start), heightCm, ageYears, male: start.sex === 'male' }
}

/** Resting need, kcal a day, by form. */
export const RESTING_FORMS: Record<
  RestingForm,
  { name: Message; source: Words; kcal(start: StartingPoint): number }
> = {
  lean: {
    name: say('planning.leanMass'),
    source: 'Cunningham JJ, Am J Clin Nutr 1991;54:963-969',
    kcal: ({ leanKg }) => 370 + 21.6 * leanKg,
  },
  athlete: {
    name: say('planning.leanMassAthletes'),
    source: 'Cunningham JJ, Am J Clin Nutr 1980;33:2372-2374',
    kcal: ({ leanKg }) => 500 + 22 * leanKg,
  },
  mass: {
    name: say('planning.bodyMassHeightAge'),
    source: 'Mifflin MD et al., Am J Clin Nutr 1990;51:241-247',
    kcal: (start) => {
      const { kg, heightCm, ageYears, male } = bodyOf(start)
      return 10 * kg + 6.25 * heightCm - 5 * ageYears + (male ? 5 : -161)
    },
  },
  recreational: {
    name: say('planning.recreationalAthletes'),
    source: 'ten Haaf T, Weijs PJM, PLoS One 2014;9:e108460',
    kcal: (start) => {
      const { kg, heightCm, ageYears, male } = bodyOf(start)
      return (
        11.936 * kg + 587.728 * (heightCm / 100) - 8.129 * ageYears + (male ? 191.027 : 0) + 29.279
      )
    },
  },
  'mass-1984': {
    name: say('planning.bodyMassHeightAge1984'),
    source: 'Roza AM, Shizgal HM, Am J Clin Nutr 1984;40:168-182',
    kcal: (start) => {
      const { kg, heightCm, ageYears, male } = bodyOf(start)
      return male
        ? 88.362 + 13.397 * kg + 4.799 * heightCm - 5.677 * ageYears
        : 447.593 + 9.247 * kg + 3.098 * heightCm - 4.33 * ageYears
    },
  },
}

/** Which form to take, and why. */
export function restingFormFor(training: string | undefined): { form: RestingForm; why: Message } {
  return training === 'athlete' || training === 'physique'
    ? { form: 'athlete', why: say('planning.trainsAthleteFormMadeAthletes') }
    : { form: 'lean', why: say('planning.leanMassMeasuredWhatBurns') }
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
  notes: Message[]
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
    throw inputError(
      'activity',
      'impossible',
      say('planning.activityFactor'),
      activity,
      say('planning.n125'),
    )
  }
  const restingKcal = RESTING_FORMS[form].kcal(start)
  const needKcal = restingKcal * activity
  const supplyKcal = FAT_SUPPLY_KCAL * start.fatKg
  const notes: Message[] = []
  let deficitKcal = (paceKg * STATIC_KCAL_PER_KG) / 7
  if (deficitKcal > supplyKcal) {
    notes.push(
      say('planning.deficitKcalMoreBodyFat', {
        deficitKcal: Math.round(deficitKcal),
        supplyKcal: Math.round(supplyKcal),
      }),
    )
    deficitKcal = supplyKcal
  }
  const floor = LEAST_INTAKE[start.sex]
  if (needKcal - deficitKcal < floor) {
    notes.push(say('planning.underKcalDayBelongsPhysician', { floor }))
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
