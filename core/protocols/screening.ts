import { type Message, say } from '../say'
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
export const SCREENING_QUESTIONS: readonly { flag: ScreeningFlag; label: Message }[] = [
  { flag: 'pregnant', label: say('protocols.pregnant') },
  { flag: 'six weeks after birth', label: say('protocols.gaveBirthLastSixWeeks') },
  { flag: 'recently pregnant', label: say('protocols.gaveBirthLastMonths') },
  {
    flag: 'cleared after birth',
    label: say('protocols.afterBirthMidwifePhysicianHas'),
  },
  { flag: 'breastfeeding', label: say('protocols.breastfeeding') },
  { flag: 'eating disorder', label: say('protocols.eatingDisorderNowBeforeSuspected') },
  {
    flag: 'periods or stress injury',
    label: say('protocols.periodsMissedThreeMonthsStress'),
  },
  {
    flag: 'skin or surgery at the sites',
    label: say('protocols.surgeryImplantStomaBrokenSkin'),
  },
  { flag: 'oedema', label: say('protocols.edemaLymphedema') },
  { flag: 'bleeding tendency', label: say('protocols.bruisesBleedsEasily') },
  {
    flag: 'illness or medicines',
    label: say('protocols.diabetesKidneyThyroidHeartDisease'),
  },
  { flag: 'insulin', label: say('protocols.insulinAnotherMedicineLowersBlood') },
  { flag: 'kidney disease', label: say('protocols.kidneyDisease') },
  { flag: 'no undressing', label: say('protocols.prefersBareSites') },
  { flag: 'guardian consents', label: say('protocols.under18GuardianConsents') },
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
