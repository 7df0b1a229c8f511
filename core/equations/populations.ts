import { type Message, say } from '../say'
import { variantFor } from './registry'
import type { Equation, SpecialPopulation, Subject, Variant } from './types'
import { bmiOf } from '../units/bmi'

const ADULT_YEARS = 18
/** From which an athlete is no young one, and from which people are older ones, by the samples of the equations. */
const ADULT_ATHLETE_YEARS = 20
const OLDER_YEARS = 60
/** Body mass index from which people count as having obesity. World Health Organization. */
const OBESITY_BMI = 30

/** What is said over equations made on other people than the one measured. */
export const POPULATION_WARNINGS: Record<SpecialPopulation | 'adults', Message> = {
  adults: say('methods.madeAdultsSomebodyUnder18'),
  athletes: say('methods.madeAthletesOthersTheyRead'),
  youth: say('methods.made817YearsAdults'),
  obesity: say('methods.madePeopleObesityBmi30'),
  'young-athletes': say('methods.madeYoungAthletes'),
  wrestlers: say('methods.madeWrestlers'),
  soccer: say('methods.madeSoccer'),
  older: say('methods.madeOlder'),
}

/**
 * Whom an equation was made on, where that is not the person measured: athletes always, unless the person is said to be
 * one; youth, older people and people with obesity by age and BMI; wrestlers and soccer players always.
 *
 * @param athlete whether the person is one
 * @returns undefined where the equation is made on people like this one, or nothing tells that it is not
 */
export function otherPopulation(
  equation: Equation,
  { sex, ageYears, heightCm, massKg }: Subject,
  athlete = false,
): SpecialPopulation | 'adults' | undefined {
  const { madeOn } = variantFor(equation, sex)
  const young = ageYears !== undefined && ageYears < ADULT_YEARS
  switch (madeOn) {
    case 'athletes':
      return athlete ? undefined : 'athletes'
    case 'young-athletes':
      return athlete && ageYears !== undefined && ageYears < ADULT_ATHLETE_YEARS
        ? undefined
        : 'young-athletes'
    // No record says which sport somebody does.
    case 'wrestlers':
    case 'soccer':
      return madeOn
    case 'older':
      return ageYears !== undefined && ageYears >= OLDER_YEARS ? undefined : 'older'
    case 'youth':
      return young ? undefined : 'youth'
    case 'obesity': {
      if (heightCm === undefined || massKg === undefined) return 'obesity'
      return bmiOf(massKg, heightCm) >= OBESITY_BMI ? undefined : 'obesity'
    }
    default:
      return young ? 'adults' : undefined
  }
}

/** Made on so few of all people that one of these equations says nothing of anybody else. */
const GROUPS = new Set<unknown>(['young-athletes', 'wrestlers', 'soccer', 'youth', 'older'])

/** Whether a form was made on a group that most people are not of. */
export const isMadeOnGroup = ({ madeOn }: Variant): boolean => GROUPS.has(madeOn)

/**
 * Whether an equation is offered unasked: one made on a group only to who is known to be of it. Asked for by name it is
 * always worked out.
 */
export const isOfGroup = (equation: Equation, subject: Subject, athlete = false): boolean =>
  !GROUPS.has(otherPopulation(equation, subject, athlete))
