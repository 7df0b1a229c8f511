/* One table, and the thresholds that stand in it: longer than other files, and read as a whole. */
import { COMMON_PRACTICE } from '../units/said'
import { type Message, num, say, type Words, sentences } from '../say'
import type { Sex } from '../anatomy/ids'
import { ADULT } from '../protocols/recommender'

/** What a rule does to a plan. A hold is lifted by a clearance on record, a refusal by nothing. */
export const SAFETY_OUTCOMES = ['ok', 'caution', 'hold', 'refused'] as const
export type SafetyOutcome = (typeof SAFETY_OUTCOMES)[number]

/** What stands in a screening, as far as a plan asks. */
export type PlanFlag =
  | 'pregnant'
  | 'six weeks after birth'
  | 'recently pregnant'
  | 'breastfeeding'
  | 'eating disorder'
  | 'periods or stress injury'
  | 'insulin'
  | 'kidney disease'
  | 'illness or medicines'
  | 'guardian consents'

/** A plan as the rules see it: a body, where it should go, and how. */
export interface PlanCase {
  sex: Sex
  /** The least it may be. */
  ageYears: number | undefined
  direction: 'loss' | 'gain' | 'hold'
  massKg: number
  leanKg: number
  fatPercent: number
  /** Points by which the estimate of fat % may be off. */
  standardError: number
  /** kg/m²; undefined without a height. */
  bmi: number | undefined
  targetBmi: number | undefined
  targetFatPercent: number
  /** True for a goal on a day that the coach named. */
  dated: boolean
  /** Body mass a week, kg, whichever way, and the most that is allowed besides the rules here. */
  paceKg: number
  bandKg: number
  /** kcal a day. */
  intakeKcal: number
  needKcal: number
  exerciseKcal: number
  flags: readonly PlanFlag[]
}

export interface SafetyRule {
  id: string
  outcome: Exclude<SafetyOutcome, 'ok'>
  /** When it applies, with its threshold. */
  when: Message
  source: Words
  /** Who is licensed to decide. */
  who: Message
  applies(plan: PlanCase): boolean
  /** Its words speak of fat or lean mass, or of a share of them. */
  ofFat?: true
  /** To the coach: what is the matter, and what to do first. */
  words(plan: PlanCase): Message
  /** A clearance lifts a hold only where this is so too. */
  mayLift?(plan: PlanCase): boolean
}

/** kg/m² under which nobody is planned to go, and with an eating disorder in the screening. */
export const LEAST_BMI = 18.5
export const LEAST_BMI_EATING = 20
export const leastBmi = (flags: readonly PlanFlag[]) =>
  flags.includes('eating disorder') ? LEAST_BMI_EATING : LEAST_BMI

/** Fat %: under the first nobody is planned, under the second a clinician clears it, under the third it is said. */
export const FAT_FLOORS: Record<Sex, { refused: number; hold: number; caution: number }> = {
  male: { refused: 4, hold: 5, caution: 7 },
  female: { refused: 10, hold: 12, caution: 14 },
}
/** Nobody is refused by how a number is rounded, points. */
const ROUNDING_POINTS = 0.05

/** Fat % so low that it is for a contest day alone. */
export const isContestLean = (sex: Sex, fatPercent: number) =>
  fatPercent <= FAT_FLOORS[sex].hold + ROUNDING_POINTS

/** Energy availability, kcal a kg of lean mass a day. */
export const LEAST_AVAILABILITY = 30
const GOOD_AVAILABILITY = 45
/** Fat % under which somebody counts as lean, and exercise from which they count as training much, kcal a day. */
const LEAN_AT: Record<Sex, number> = { male: 15, female: 25 }
const MUCH_EXERCISE_KCAL = 300

/** Energy availability: what is left of the intake for everything but exercise, kcal a kg of lean mass a day. */
export const availabilityOf = ({
  intakeKcal,
  exerciseKcal,
  leanKg,
}: Pick<PlanCase, 'intakeKcal' | 'exerciseKcal' | 'leanKg'>) => (intakeKcal - exerciseKcal) / leanKg

/** Whom the threshold of energy availability is for: heavy untrained people on a usual deficit are below it too. */
export const countsAvailability = ({
  sex,
  fatPercent,
  exerciseKcal,
}: Pick<PlanCase, 'sex' | 'fatPercent' | 'exerciseKcal'>) =>
  fatPercent < LEAN_AT[sex] || exerciseKcal >= MUCH_EXERCISE_KCAL

/** The most that is taken off while breastfeeding, kcal a day. */
export const BREASTFEEDING_KCAL = 500
/** From this age on the pace is half the usual ceiling. */
export const OLDER_AGE = 65
export const OLDER_PERCENT = 0.5
/** BMI from which a planned gain is for a physician too. */
const OBESE_BMI = 30

const loses = ({ direction }: PlanCase) => direction === 'loss'
const has = (flag: PlanFlag) => (plan: PlanCase) => plan.flags.includes(flag)
const clinician = say('safety.physicianRegisteredDietitian')

/** A flag of the screening that stands against a kind of plan. */
const flagged = (
  flag: PlanFlag,
  rule: Omit<SafetyRule, 'when' | 'applies' | 'words'> & {
    when: Message
    also?: (plan: PlanCase) => boolean
    words: Message
  },
): SafetyRule => ({
  ...rule,
  applies: (plan) => has(flag)(plan) && (rule.also?.(plan) ?? true),
  words: () => rule.words,
})

/**
 * What stands against a plan. Local rules and licensed practice come first; thresholds are from memory where they name no
 * source, or where the source is so marked.
 */
export const SAFETY_RULES: readonly SafetyRule[] = [
  flagged('pregnant', {
    ...{ id: 'pregnant', ofFat: true, outcome: 'refused', source: COMMON_PRACTICE },
    who: say('safety.midwifePhysicianDietitian'),
    when: say('safety.pregnantBodyMassFatShould'),
    also: ({ direction }) => direction !== 'hold',
    words: say('safety.pregnancyDeficitGoalFatMass'),
  }),
  flagged('six weeks after birth', {
    ...{ id: 'six-weeks-after-birth', outcome: 'refused', source: COMMON_PRACTICE },
    who: say('safety.midwifePhysician'),
    when: say('safety.lossFirstSixWeeksAfter'),
    also: loses,
    words: say('safety.firstSixWeeksAfterBirth'),
  }),
  flagged('recently pregnant', {
    ...{ id: 'recently-pregnant', outcome: 'hold', source: COMMON_PRACTICE },
    who: say('safety.midwifePhysician'),
    when: say('safety.lossMonthsAfterBirth'),
    also: loses,
    words: say('safety.monthsAfterBirthAskPhysician'),
  }),
  flagged('breastfeeding', {
    ...{ id: 'breastfeeding', outcome: 'hold' },
    source: 'Butte NF, King JC, Public Health Nutr 2005;8:1010-1027 (from memory)',
    who: say('safety.midwifePhysician'),
    when: say('safety.lossWhileBreastfeedingClearedUp', { breastfeedingKcal: BREASTFEEDING_KCAL }),
    also: loses,
    words: say('safety.breastfeedingDeficitNeedsClearanceStays', {
      breastfeedingKcal: BREASTFEEDING_KCAL,
    }),
  }),
  flagged('eating disorder', {
    ...{ id: 'eating-disorder', outcome: 'hold', source: COMMON_PRACTICE },
    who: say('safety.physicianPsychotherapist'),
    when: say('safety.eatingDisorderNowBeforeSuspected'),
    also: ({ direction }) => direction !== 'hold',
    words: say('safety.eatingDisorderNowBeforeSuspected2'),
  }),
  {
    ...{ id: 'minor-loss', outcome: 'refused', source: COMMON_PRACTICE },
    who: say('safety.physicianDietitianGuardian'),
    when: say('safety.lossUnderYears', { adult: ADULT }),
    applies: (plan) => loses(plan) && (plan.ageYears ?? ADULT) < ADULT,
    words: () => say('safety.under18DeficitPlannedChilds'),
  },
  {
    ...{ id: 'minor', outcome: 'hold', source: COMMON_PRACTICE },
    who: say('safety.guardian'),
    when: say('safety.anythingElseUnderYearsUntil', { adult: ADULT }),
    applies: (plan) =>
      !loses(plan) && (plan.ageYears ?? ADULT) < ADULT && !has('guardian consents')(plan),
    words: () => say('safety.under18GuardianAgreesPlan'),
  },
  {
    ...{ id: 'bmi-now', outcome: 'refused' },
    source: 'World Health Organization, Technical Report Series 894, 2000 (from memory)',
    who: clinician,
    when: say('safety.lossBmiUnderEatingDisorder', {
      leastBmi: LEAST_BMI,
      leastBmiEating: LEAST_BMI_EATING,
    }),
    applies: (plan) => loses(plan) && plan.bmi !== undefined && plan.bmi < leastBmi(plan.flags),
    words: (plan) =>
      say('safety.bmiUnderDeficitRefer', {
        bmi: num(plan.bmi!, 1),
        flags: leastBmi(plan.flags),
        clinician,
      }),
  },
  {
    ...{ id: 'bmi-target', outcome: 'refused' },
    source: 'World Health Organization, Technical Report Series 894, 2000 (from memory)',
    who: clinician,
    when: say('safety.targetBmiUnderEatingDisorder', {
      leastBmi: LEAST_BMI,
      leastBmiEating: LEAST_BMI_EATING,
    }),
    applies: (plan) =>
      plan.direction !== 'gain' &&
      plan.targetBmi !== undefined &&
      plan.targetBmi < leastBmi(plan.flags) &&
      // Who already lies below is refused by the rule above; holding there is for the clinician below.
      (loses(plan) || plan.bmi! < leastBmi(plan.flags)),
    words: (plan) =>
      say('safety.goalBmiLowestHere', {
        targetBmi: num(plan.targetBmi!, 1),
        flags: leastBmi(plan.flags),
      }),
  },
  {
    ...{ id: 'fat-floor', ofFat: true, outcome: 'refused', source: COMMON_PRACTICE },
    who: clinician,
    when: say('safety.targetUnderFatMenWomen', {
      refused: FAT_FLOORS.male.refused,
      refused2: FAT_FLOORS.female.refused,
    }),
    applies: ({ sex, targetFatPercent, direction }) =>
      direction !== 'gain' && targetFatPercent < FAT_FLOORS[sex].refused - ROUNDING_POINTS,
    words: ({ sex, targetFatPercent }) =>
      say('safety.goalLeavesFatUnderNothing', {
        targetFatPercent: num(targetFatPercent, 1),
        refused: FAT_FLOORS[sex].refused,
      }),
  },
  {
    ...{ id: 'contest-lean', ofFat: true, outcome: 'hold', source: COMMON_PRACTICE },
    who: say('safety.namedPhysician'),
    when: say('safety.targetFatMenWomenCleared', {
      refused: FAT_FLOORS.male.refused,
      hold: FAT_FLOORS.male.hold,
      refused2: FAT_FLOORS.female.refused,
      hold2: FAT_FLOORS.female.hold,
    }),
    applies: ({ sex, targetFatPercent, direction }) =>
      direction !== 'gain' &&
      targetFatPercent >= FAT_FLOORS[sex].refused - ROUNDING_POINTS &&
      isContestLean(sex, targetFatPercent),
    words: ({ targetFatPercent, dated }) =>
      sentences(
        say('safety.fatContestDayAloneMost', { targetFatPercent: num(targetFatPercent, 1) }),
        dated ? undefined : say('safety.nameDayFirst'),
      ),
    mayLift: ({ dated }) => dated,
  },
  {
    ...{ id: 'contest-leanness', ofFat: true, outcome: 'caution', source: COMMON_PRACTICE },
    who: say('safety.coachPhysicianHand'),
    when: say('safety.targetUnderFatMenWomen2', {
      caution: FAT_FLOORS.male.caution,
      caution2: FAT_FLOORS.female.caution,
    }),
    applies: ({ sex, targetFatPercent, standardError, direction }) => {
      const { refused, caution } = FAT_FLOORS[sex]
      if (direction === 'gain' || isContestLean(sex, targetFatPercent)) return false
      return targetFatPercent < caution || targetFatPercent - standardError < refused
    },
    words: ({ targetFatPercent, standardError }) =>
      say('safety.estimateMayTrulyLeanHormones', {
        targetFatPercent: num(targetFatPercent, 1),
        value: num(Math.max(0, targetFatPercent - standardError), 1),
      }),
  },
  {
    ...{ id: 'energy-availability', ofFat: true, outcome: 'refused' },
    source: 'Mountjoy M et al., Br J Sports Med 2018;52:687-697 (from memory)',
    who: say('safety.sportsPhysicianSportsDietitian'),
    when: say('safety.energyAvailabilityUnderKcalKg', {
      leastAvailability: LEAST_AVAILABILITY,
      male: LEAN_AT.male,
      female: LEAN_AT.female,
      muchExerciseKcal: MUCH_EXERCISE_KCAL,
    }),
    applies: (plan) =>
      loses(plan) && countsAvailability(plan) && availabilityOf(plan) < LEAST_AVAILABILITY - 1e-6,
    words: (plan) =>
      say('safety.leavesKcalKgLeanMass', {
        plan: num(availabilityOf(plan), 0),
        leastAvailability: LEAST_AVAILABILITY,
      }),
  },
  {
    ...{ id: 'energy-low', ofFat: true, outcome: 'caution' },
    source: 'Mountjoy M et al., Br J Sports Med 2018;52:687-697 (from memory)',
    who: say('safety.coach'),
    when: say('safety.energyAvailabilityKcalKgLean', {
      leastAvailability: LEAST_AVAILABILITY,
      goodAvailability: GOOD_AVAILABILITY,
    }),
    applies: (plan) =>
      loses(plan) &&
      countsAvailability(plan) &&
      availabilityOf(plan) >= LEAST_AVAILABILITY - 1e-6 &&
      availabilityOf(plan) < GOOD_AVAILABILITY,
    words: (plan) => say('safety.kcalKgLeanMassLeft', { plan: num(availabilityOf(plan), 0) }),
  },
  flagged('periods or stress injury', {
    ...{ id: 'periods-or-stress-injury', outcome: 'hold' },
    source: 'Mountjoy M et al., Br J Sports Med 2018;52:687-697 (from memory)',
    who: say('safety.aPhysician'),
    when: say('safety.lossWherePeriodsMissedBone'),
    also: loses,
    words: say('safety.missedPeriodsStressInjuryPhysician'),
  }),
  flagged('insulin', {
    ...{ id: 'insulin', outcome: 'hold', source: COMMON_PRACTICE },
    who: say('safety.physicianWhoPrescribes'),
    when: say('safety.insulinAnotherMedicineLowersBlood'),
    also: ({ direction }) => direction !== 'hold',
    words: say('safety.insulinLikeDosesGoFood'),
  }),
  flagged('kidney disease', {
    ...{ id: 'kidney-disease', outcome: 'hold', source: COMMON_PRACTICE },
    who: say('safety.physicianProteinTheirsSet'),
    when: say('safety.kidneyDisease'),
    words: say('safety.kidneyDiseasePhysicianClearsPlan'),
  }),
  flagged('illness or medicines', {
    ...{ id: 'illness', outcome: 'caution', source: COMMON_PRACTICE },
    who: clinician,
    when: say('safety.diabetesKidneyThyroidHeartDisease'),
    words: say('safety.diabetesKidneyThyroidHeartDisease2'),
  }),
  {
    ...{ id: 'older', ofFat: true, outcome: 'caution', source: COMMON_PRACTICE },
    who: say('safety.coachPhysicianHand'),
    when: say('safety.yearsOverMostBodyMass', { olderAge: OLDER_AGE, olderPercent: OLDER_PERCENT }),
    applies: (plan) => loses(plan) && (plan.ageYears ?? 0) >= OLDER_AGE,
    words: () => say('safety.overLeanMassComesFirst', { olderAge: OLDER_AGE }),
  },
  {
    ...{ id: 'gain-when-obese', ofFat: true, outcome: 'caution', source: COMMON_PRACTICE },
    who: say('safety.aPhysician'),
    when: say('safety.gainBmiMore', { obeseBmi: OBESE_BMI }),
    applies: ({ direction, bmi }) => direction === 'gain' && (bmi ?? 0) >= OBESE_BMI,
    words: ({ bmi }) => say('safety.gainBmiMostWouldFat', { bmi: num(bmi!, 1) }),
  },
  {
    ...{ id: 'no-height', outcome: 'caution', source: COMMON_PRACTICE },
    who: say('safety.coach'),
    when: say('safety.lossWithoutHeightRecord'),
    applies: (plan) => loses(plan) && plan.bmi === undefined,
    words: () => say('safety.withoutHeightNobodySeesWhether'),
  },
  {
    ...{ id: 'no-age', outcome: 'caution', source: COMMON_PRACTICE },
    who: say('safety.coach'),
    when: say('safety.ageRecord'),
    applies: ({ ageYears }) => ageYears === undefined,
    words: () => say('safety.ageRecordAdultsUnder18'),
  },
  {
    ...{ id: 'pace', ofFat: true, outcome: 'refused', source: COMMON_PRACTICE },
    who: say('safety.coachWithinBand'),
    when: say('safety.fasterBandLoss1Body', {
      olderPercent: OLDER_PERCENT,
      olderAge: OLDER_AGE,
      breastfeedingKcal: BREASTFEEDING_KCAL,
    }),
    applies: ({ paceKg, bandKg }) => paceKg > bandKg * (1 + 1e-9) + 1e-9,
    words: ({ paceKg, bandKg, massKg }) =>
      say('safety.bodyMassWeekFasterMost', {
        paceKg: num((100 * paceKg) / massKg, 2),
        bandKg: num((100 * bandKg) / massKg, 2),
      }),
  },
]

/** Rules that a clearance on record lifts. */
export const HOLDS: readonly string[] = SAFETY_RULES.filter(
  ({ outcome }) => outcome === 'hold',
).map(({ id }) => id)

/** Rules that speak of fat or lean mass: not for who sees girths and sums alone. */
export const RULES_OF_FAT: readonly string[] = SAFETY_RULES.filter(({ ofFat }) => ofFat).map(
  ({ id }) => id,
)
