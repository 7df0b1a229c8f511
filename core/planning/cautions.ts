import { LEAST_FAT_PERCENT, type StartingPoint, fatPercentOfStart } from './goal'
import { ADULT } from '../protocols/recommender'
import type { ScreeningFlag } from '../protocols/screening'

/** Said once where it matters: what to do, and who is licensed to do it. */
export interface PlanCaution {
  words: string
  /** No deficit is planned while it holds. */
  stops: boolean
}

const RULES: { flag: ScreeningFlag; stops: boolean; words: string }[] = [
  {
    flag: 'pregnant',
    stops: true,
    words:
      'Pregnancy: no deficit and no fat goal. Food in pregnancy is for the midwife, physician and dietitian.',
  },
  {
    flag: 'recently pregnant',
    stops: true,
    words:
      'The months after a birth: no deficit is planned here. Ask the physician or midwife first.',
  },
  {
    flag: 'eating disorder',
    stops: true,
    words:
      'An eating disorder, now, before or suspected: no deficit, no numbers to chase. SuggestedValue strength, sleep or a lift as the goal, and a referral.',
  },
  {
    flag: 'illness or medicines',
    stops: false,
    words:
      'Diabetes, kidney, thyroid or heart disease, insulin, diuretics or weight-loss medicines: the physician or registered dietitian sets food and pace; the coach trains.',
  },
]

/**
 * What stands against a plan, or asks for somebody else. Local rules come first.
 *
 * @param flags of the private screening
 */
export function planCautions(
  start: Pick<StartingPoint, 'sex' | 'ageYears' | 'leastAgeYears' | 'fatKg' | 'leanKg'>,
  flags: readonly string[],
): PlanCaution[] {
  const cautions = RULES.filter(({ flag }) => flags.includes(flag)).map(({ words, stops }) => ({
    words,
    stops,
  }))
  const least = start.leastAgeYears ?? start.ageYears
  if (least === undefined) {
    cautions.push({
      stops: false,
      words:
        'The age is not on record: this is for adults. Under 18 no deficit is planned; a child’s food is for the physician and dietitian, with the guardian.',
    })
  } else if (least < ADULT) {
    cautions.push({
      stops: true,
      words:
        'Under 18: no deficit is planned. A child’s food is for the physician and dietitian, with the guardian.',
    })
  }
  const leastFat = LEAST_FAT_PERCENT[start.sex]
  if (fatPercentOfStart(start) < leastFat) {
    cautions.push({
      stops: true,
      words: `An estimate under ${leastFat} % fat: no deficit. A physician looks at this first; so do missed periods, dizziness or chest pain.`,
    })
  }
  return cautions
}
