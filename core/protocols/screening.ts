import type { KnownFold } from '../anatomy/ids'
import { type Candidate, type Flag, type Instrument, isMinor } from './recommender'
import { type IsoDate, daysBetween } from '../units/dates'

/** What a screening may say. All of it is optional. */
export type ScreeningFlag =
  Exclude<Flag, 'no guardian consent'> | 'guardian consents' | 'cleared after birth'

export interface ScreeningAnswers {
  flags: ScreeningFlag[]
  /** The folds that surgery or broken skin keeps one from; none named stands for all of them. */
  closedSites?: KnownFold[]
  training?: Candidate['training']
  build?: Candidate['build']
  notes?: string
}

/** The questions, in the words of the form. */
export const SCREENING_QUESTIONS: readonly { flag: ScreeningFlag; label: string }[] = [
  { flag: 'pregnant', label: 'Pregnant' },
  { flag: 'six weeks after birth', label: 'Gave birth in the last six weeks' },
  { flag: 'recently pregnant', label: 'Gave birth in the last months' },
  {
    flag: 'cleared after birth',
    label: 'After a birth: the midwife or physician has cleared measuring',
  },
  { flag: 'breastfeeding', label: 'Breastfeeding' },
  { flag: 'eating disorder', label: 'Eating disorder, now or before, or suspected' },
  {
    flag: 'periods or stress injury',
    label: 'Periods missed for three months, or a stress injury of a bone',
  },
  {
    flag: 'skin or surgery at the sites',
    label: 'Surgery, implant, stoma or broken skin near a site',
  },
  { flag: 'oedema', label: 'Edema or lymphedema' },
  { flag: 'bleeding tendency', label: 'Bruises or bleeds easily' },
  {
    flag: 'illness or medicines',
    label:
      'Diabetes, kidney, thyroid or heart disease; insulin, diuretics or weight-loss medicines',
  },
  { flag: 'insulin', label: 'Insulin, or another medicine that lowers blood sugar' },
  { flag: 'kidney disease', label: 'Kidney disease' },
  { flag: 'no undressing', label: 'Prefers not to bare the sites' },
  { flag: 'guardian consents', label: 'Under 18: a guardian consents' },
]

export const TRAINING = ['untrained', 'recreational', 'athlete', 'physique'] as const
export const BUILDS = ['very lean', 'usual', 'overweight', 'very overweight'] as const

/** Days after which a screening is looked through again. Judgement. */
const SCREENING_GOOD_FOR_DAYS = 182

/** True when the answers should be looked through again. */
export function isScreeningOld(reviewedOn: IsoDate, today: IsoDate): boolean {
  return daysBetween(reviewedOn, today) > SCREENING_GOOD_FOR_DAYS
}

/**
 * The client as the recommender sees them.
 *
 * @param screening undefined where nothing was asked
 */
export function candidateOf(
  person: Pick<Candidate, 'sex' | 'ageYears' | 'leastAgeYears'>,
  screening: ScreeningAnswers | undefined,
  instruments: Instrument[],
  last?: Candidate['last'],
): Candidate {
  const said = screening?.flags ?? []
  const cleared = said.includes('cleared after birth')
  const flags = said.filter(
    (flag): flag is Exclude<ScreeningFlag, 'guardian consents' | 'cleared after birth'> =>
      flag !== 'guardian consents' &&
      flag !== 'cleared after birth' &&
      !(cleared && flag === 'recently pregnant'),
  )
  const alone = isMinor(person) && !said.includes('guardian consents')
  return {
    ...person,
    training: screening?.training ?? 'recreational',
    build: screening?.build ?? 'usual',
    flags: alone ? [...flags, 'no guardian consent'] : flags,
    instruments,
    ...(screening?.closedSites?.length ? { closedSites: screening.closedSites } : {}),
    ...(last ? { last } : {}),
  }
}
