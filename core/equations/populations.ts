import { type Message, say } from '../say'
import { variantFor } from './registry'
import type { Equation, SpecialPopulation, Subject } from './types'
import { bmiOf } from '../units/bmi'

const ADULT_YEARS = 18
/** Body mass index from which people count as having obesity. World Health Organization. */
const OBESITY_BMI = 30

/** What is said over equations made on other people than the one measured. */
export const POPULATION_WARNINGS: Record<SpecialPopulation | 'adults', Message> = {
  adults: say('methods.madeAdultsSomebodyUnder18'),
  athletes: say('methods.madeAthletesOthersTheyRead'),
  youth: say('methods.made817YearsAdults'),
  obesity: say('methods.madePeopleObesityBmi30'),
}

/**
 * Whom an equation was made on, where that is not the person measured: athletes always, unless the person is said to be
 * one; youth and people with obesity by age and BMI.
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
