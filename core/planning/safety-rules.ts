import type { Sex } from '../anatomy/ids'
import { ADULT } from '../protocols/recommender'
import { fixed } from '../units/format'

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
  when: string
  source: string
  /** Who is licensed to decide. */
  who: string
  applies(plan: PlanCase): boolean
  /** To the coach: what is the matter, and what to do first. */
  words(plan: PlanCase): string
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
const clinician = 'a physician or a registered dietitian'

/** A flag of the screening that stands against a kind of plan. */
const flagged = (
  flag: PlanFlag,
  rule: Omit<SafetyRule, 'when' | 'applies' | 'words'> & {
    when: string
    also?: (plan: PlanCase) => boolean
    words: string
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
    ...{ id: 'pregnant', outcome: 'refused', source: 'common practice, no source' },
    who: 'the midwife, the physician and the dietitian',
    when: 'pregnant, and body mass or fat should change',
    also: ({ direction }) => direction !== 'hold',
    words:
      'Pregnancy: no deficit and no goal of fat or mass. Food in pregnancy is for the midwife, physician and dietitian.',
  }),
  flagged('six weeks after birth', {
    ...{ id: 'six-weeks-after-birth', outcome: 'refused', source: 'common practice, no source' },
    who: 'the midwife or the physician',
    when: 'a loss in the first six weeks after a birth',
    also: loses,
    words: 'The first six weeks after a birth: no deficit. Sleep, food and healing come first.',
  }),
  flagged('recently pregnant', {
    ...{ id: 'recently-pregnant', outcome: 'hold', source: 'common practice, no source' },
    who: 'the midwife or the physician',
    when: 'a loss in the months after a birth',
    also: loses,
    words: 'The months after a birth: ask the physician or midwife before a deficit.',
  }),
  flagged('breastfeeding', {
    ...{ id: 'breastfeeding', outcome: 'hold' },
    source: 'Butte NF, King JC, Public Health Nutr 2005;8:1010-1027 (from memory)',
    who: 'the midwife or the physician',
    when: `a loss while breastfeeding; cleared, up to about ${BREASTFEEDING_KCAL} kcal a day`,
    also: loses,
    words: `Breastfeeding: a deficit needs clearance, and stays at or under ${BREASTFEEDING_KCAL} kcal a day.`,
  }),
  flagged('eating disorder', {
    ...{ id: 'eating-disorder', outcome: 'hold', source: 'common practice, no source' },
    who: 'a physician or a psychotherapist',
    when: 'an eating disorder now, before or suspected, and body mass or fat should change',
    also: ({ direction }) => direction !== 'hold',
    words:
      'An eating disorder, now, before or suspected: a referral first, and whoever treats it decides. Strength, sleep or a lift are goals without numbers of the body.',
  }),
  {
    ...{ id: 'minor-loss', outcome: 'refused', source: 'common practice, no source' },
    who: 'a physician and a dietitian, with the guardian',
    when: `a loss under ${ADULT} years`,
    applies: (plan) => loses(plan) && (plan.ageYears ?? ADULT) < ADULT,
    words: () =>
      'Under 18: no deficit is planned. A child’s food is for the physician and dietitian, with the guardian.',
  },
  {
    ...{ id: 'minor', outcome: 'hold', source: 'common practice, no source' },
    who: 'the guardian',
    when: `anything else under ${ADULT} years, until a guardian consents`,
    applies: (plan) =>
      !loses(plan) && (plan.ageYears ?? ADULT) < ADULT && !has('guardian consents')(plan),
    words: () => 'Under 18: a guardian agrees to the plan first.',
  },
  {
    ...{ id: 'bmi-now', outcome: 'refused' },
    source: 'World Health Organization, Technical Report Series 894, 2000 (from memory)',
    who: clinician,
    when: `a loss from a BMI under ${LEAST_BMI} (${LEAST_BMI_EATING} with an eating disorder)`,
    applies: (plan) => loses(plan) && plan.bmi !== undefined && plan.bmi < leastBmi(plan.flags),
    words: (plan) =>
      `BMI ${fixed(plan.bmi!, 1)} is under ${leastBmi(plan.flags)}: no deficit. Refer to ${clinician}.`,
  },
  {
    ...{ id: 'bmi-target', outcome: 'refused' },
    source: 'World Health Organization, Technical Report Series 894, 2000 (from memory)',
    who: clinician,
    when: `a target with a BMI under ${LEAST_BMI} (${LEAST_BMI_EATING} with an eating disorder)`,
    applies: (plan) =>
      plan.direction !== 'gain' &&
      plan.targetBmi !== undefined &&
      plan.targetBmi < leastBmi(plan.flags) &&
      // Who already lies below is refused by the rule above; holding there is for the clinician below.
      (loses(plan) || plan.bmi! < leastBmi(plan.flags)),
    words: (plan) =>
      `This goal is a BMI of ${fixed(plan.targetBmi!, 1)}; the lowest here is ${leastBmi(plan.flags)}.`,
  },
  {
    ...{ id: 'fat-floor', outcome: 'refused', source: 'common practice, no source' },
    who: clinician,
    when: `a target under ${FAT_FLOORS.male.refused}% fat (men) or ${FAT_FLOORS.female.refused}% (women)`,
    applies: ({ sex, targetFatPercent, direction }) =>
      direction !== 'gain' && targetFatPercent < FAT_FLOORS[sex].refused - ROUNDING_POINTS,
    words: ({ sex, targetFatPercent }) =>
      `This goal leaves ${fixed(targetFatPercent, 1)}% fat; under ${FAT_FLOORS[sex].refused}% nothing is planned here.`,
  },
  {
    ...{ id: 'contest-lean', outcome: 'hold', source: 'common practice, no source' },
    who: 'a named physician',
    when: `a target of ${FAT_FLOORS.male.refused} to ${FAT_FLOORS.male.hold}% fat (men) or ${FAT_FLOORS.female.refused} to ${FAT_FLOORS.female.hold}% (women); cleared only for a dated contest, at most four weeks, with the way back up planned`,
    applies: ({ sex, targetFatPercent, direction }) =>
      direction !== 'gain' &&
      targetFatPercent >= FAT_FLOORS[sex].refused - ROUNDING_POINTS &&
      isContestLean(sex, targetFatPercent),
    words: ({ targetFatPercent, dated }) =>
      `${fixed(targetFatPercent, 1)}% fat is for a contest day alone: at most four weeks, then back up, and only with a physician’s clearance.${dated ? '' : ' Name the day first.'}`,
    mayLift: ({ dated }) => dated,
  },
  {
    ...{ id: 'contest-leanness', outcome: 'caution', source: 'common practice, no source' },
    who: 'the coach, with a physician at hand',
    when: `a target under ${FAT_FLOORS.male.caution}% fat (men) or ${FAT_FLOORS.female.caution}% (women), or one that may truly be under the floor by the error of the estimate`,
    applies: ({ sex, targetFatPercent, standardError, direction }) => {
      const { refused, caution } = FAT_FLOORS[sex]
      if (direction === 'gain' || isContestLean(sex, targetFatPercent)) return false
      return targetFatPercent < caution || targetFatPercent - standardError < refused
    },
    words: ({ targetFatPercent, standardError }) =>
      `${fixed(targetFatPercent, 1)}% by this estimate may truly be ${fixed(Math.max(0, targetFatPercent - standardError), 1)}%. This lean, hormones, mood and training suffer: few stay for more than some weeks. Missed periods, dizziness or chest pain are for a physician.`,
  },
  {
    ...{ id: 'energy-availability', outcome: 'refused' },
    source: 'Mountjoy M et al., Br J Sports Med 2018;52:687-697 (from memory)',
    who: 'a sports physician or a sports dietitian',
    when: `energy availability under ${LEAST_AVAILABILITY} kcal a kg of lean mass, of those who are lean (men under ${LEAN_AT.male}%, women under ${LEAN_AT.female}%) or train ${MUCH_EXERCISE_KCAL} kcal a day or more`,
    applies: (plan) =>
      loses(plan) && countsAvailability(plan) && availabilityOf(plan) < LEAST_AVAILABILITY - 1e-6,
    words: (plan) =>
      `This leaves ${fixed(availabilityOf(plan), 0)} kcal a kg of lean mass for everything but exercise; under ${LEAST_AVAILABILITY} the body saves on bones and hormones (REDs). Ask about periods and stress injuries, and refer.`,
  },
  {
    ...{ id: 'energy-low', outcome: 'caution' },
    source: 'Mountjoy M et al., Br J Sports Med 2018;52:687-697 (from memory)',
    who: 'the coach',
    when: `energy availability of ${LEAST_AVAILABILITY} to ${GOOD_AVAILABILITY} kcal a kg of lean mass, of the same people`,
    applies: (plan) =>
      loses(plan) &&
      countsAvailability(plan) &&
      availabilityOf(plan) >= LEAST_AVAILABILITY - 1e-6 &&
      availabilityOf(plan) < GOOD_AVAILABILITY,
    words: (plan) =>
      `${fixed(availabilityOf(plan), 0)} kcal a kg of lean mass are left for everything but exercise: keep it short, and ask about periods and stress injuries.`,
  },
  flagged('periods or stress injury', {
    ...{ id: 'periods-or-stress-injury', outcome: 'hold' },
    source: 'Mountjoy M et al., Br J Sports Med 2018;52:687-697 (from memory)',
    who: 'a physician',
    when: 'a loss where periods are missed or a bone was injured by load',
    also: loses,
    words: 'Missed periods or a stress injury: a physician looks at this before any deficit.',
  }),
  flagged('insulin', {
    ...{ id: 'insulin', outcome: 'hold', source: 'common practice, no source' },
    who: 'the physician who prescribes it',
    when: 'insulin or another medicine that lowers blood sugar, and food should change',
    also: ({ direction }) => direction !== 'hold',
    words: 'Insulin and the like: doses go with food. Whoever prescribes them clears the plan.',
  }),
  flagged('kidney disease', {
    ...{ id: 'kidney-disease', outcome: 'hold', source: 'common practice, no source' },
    who: 'the physician; protein is theirs to set',
    when: 'kidney disease',
    words: 'Kidney disease: the physician clears the plan and sets the protein.',
  }),
  flagged('illness or medicines', {
    ...{ id: 'illness', outcome: 'caution', source: 'common practice, no source' },
    who: clinician,
    when: 'diabetes, kidney, thyroid or heart disease; insulin, diuretics or weight-loss medicines',
    words:
      'Diabetes, kidney, thyroid or heart disease, insulin, diuretics or weight-loss medicines: the physician or registered dietitian sets food and pace; the coach trains.',
  }),
  {
    ...{ id: 'older', outcome: 'caution', source: 'common practice, no source' },
    who: 'the coach, with a physician at hand',
    when: `${OLDER_AGE} years and over: at most ${OLDER_PERCENT}% of body mass a week`,
    applies: (plan) => loses(plan) && (plan.ageYears ?? 0) >= OLDER_AGE,
    words: () =>
      `${OLDER_AGE} and over: lean mass comes first. Resistance work, protein at each meal, and a slow pace.`,
  },
  {
    ...{ id: 'gain-when-obese', outcome: 'caution', source: 'common practice, no source' },
    who: 'a physician',
    when: `a gain from a BMI of ${OBESE_BMI} or more`,
    applies: ({ direction, bmi }) => direction === 'gain' && (bmi ?? 0) >= OBESE_BMI,
    words: ({ bmi }) =>
      `A gain from a BMI of ${fixed(bmi!, 1)}: most of it would be fat. A physician looks at this with you; strength can come without a gain.`,
  },
  {
    ...{ id: 'no-height', outcome: 'caution', source: 'common practice, no source' },
    who: 'the coach',
    when: 'a loss without a height on record',
    applies: (plan) => loses(plan) && plan.bmi === undefined,
    words: () =>
      'Without a height nobody sees whether the goal is too light: measure it before starting.',
  },
  {
    ...{ id: 'no-age', outcome: 'caution', source: 'common practice, no source' },
    who: 'the coach',
    when: 'no age on record',
    applies: ({ ageYears }) => ageYears === undefined,
    words: () => 'The age is not on record: this is for adults. Under 18 no deficit is planned.',
  },
  {
    ...{ id: 'pace', outcome: 'refused', source: 'common practice, no source' },
    who: 'the coach, within the band',
    when: `faster than the band: for a loss 1 % of body mass, 2 lb or 1 point of fat a week, ${OLDER_PERCENT}% from ${OLDER_AGE} years on, ${BREASTFEEDING_KCAL} kcal a day while breastfeeding; for a gain 0.5 %`,
    applies: ({ paceKg, bandKg }) => paceKg > bandKg * (1 + 1e-9) + 1e-9,
    words: ({ paceKg, bandKg, massKg }) =>
      `${fixed((100 * paceKg) / massKg, 2)}% of body mass a week is faster than the ${fixed((100 * bandKg) / massKg, 2)}% that is the most here.`,
  },
]

/** Rules that a clearance on record lifts. */
export const HOLDS: readonly string[] = SAFETY_RULES.filter(
  ({ outcome }) => outcome === 'hold',
).map(({ id }) => id)
