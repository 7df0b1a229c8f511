import { say } from '../say'
import {
  type BoneId,
  type LandmarkStandard,
  type Sex,
  type SiteId,
  type SkinfoldId,
  type GirthId,
  BONE_IDS,
} from '../anatomy/ids'
import { standardWithin } from '../anatomy/landmark-standards'
import { CZECH_TEN } from '../equations/parizkova'
import { SEVEN_FOLDS } from '../equations/jackson-pollock'
import { NINE_FOLDS } from '../equations/nine-site-ratio'
import { inputError } from '../errors'
import type { Protocol } from './types'

export const both = <T>(value: T): Record<Sex, T> => ({ male: value, female: value })

const TWO_OF_THREE = { order: 'rounds', count: 2, most: 3, dropsFirst: false } as const

/** The rules of each standard; common practice among its textbooks. */
export const US_RULES = {
  standard: 'us',
  foldTrials: { ...TWO_OF_THREE, tolerance: { kind: 'mm', value: 2 }, value: 'closest two' },
  girthTrials: { ...TWO_OF_THREE, tolerance: { kind: 'cm', value: 0.5 }, value: 'closest two' },
  readingDelaySeconds: [1, 2],
  wording: {},
  bones: both<BoneId[]>([]),
} satisfies Partial<Protocol>

export const INT_RULES = {
  standard: 'int',
  foldTrials: {
    ...TWO_OF_THREE,
    tolerance: { kind: 'percent', value: 5, atLeast: 0.5 },
    value: 'median',
  },
  girthTrials: { ...TWO_OF_THREE, tolerance: { kind: 'percent', value: 1 }, value: 'median' },
  readingDelaySeconds: [2, 2],
  wording: {},
  bones: both<BoneId[]>([]),
} satisfies Partial<Protocol>

const NO_FOLDS = both<SkinfoldId[]>([])
const NO_GIRTHS = both<GirthId[]>([])
const JP_FED = [
  'jackson-pollock-3',
  'jackson-pollock-3-upper',
  'jackson-pollock-4-direct',
  'jackson-pollock-3-direct',
  'evans-7',
  'evans-3',
]

/** The eight folds of international anthropometry, in its order. */
const EIGHT_INT: SkinfoldId[] = [
  'triceps',
  'subscapular',
  'biceps',
  'iliac_crest',
  'supraspinale',
  'abdominal',
  'front_thigh',
  'medial_calf',
]
const EIGHT_FED = {
  male: ['withers-7', 'carter-6', 'faulkner-4'],
  female: ['withers-4', 'carter-6'],
}

/** The named sets. A check-in is also computed by every other equation that its sites allow. */
export const PROTOCOLS: readonly Protocol[] = [
  {
    ...US_RULES,
    id: 'seven-fold',
    name: say('protocols.sevenFolds'),
    when: say('protocols.mostAdultsSteadiestAmericanSets'),
    folds: both(SEVEN_FOLDS),
    girths: NO_GIRTHS,
    wants: ['mass'],
    equations: {
      male: ['jackson-pollock-7', ...JP_FED],
      female: ['jackson-pollock-7', 'jackson-pollock-4', ...JP_FED],
    },
  },
  {
    ...US_RULES,
    id: 'three-fold',
    name: say('protocols.threeFolds'),
    when: say('protocols.whenThereFiveMinutesThree'),
    folds: { male: ['chest', 'abdominal', 'thigh'], female: ['triceps', 'suprailiac', 'thigh'] },
    girths: NO_GIRTHS,
    wants: ['mass'],
    equations: both(['jackson-pollock-3']),
  },
  {
    ...US_RULES,
    id: 'four-fold',
    name: say('protocols.fourFolds'),
    when: say('protocols.sameFourSitesBothSexes'),
    folds: both<SkinfoldId[]>(['triceps', 'abdominal', 'suprailiac', 'thigh']),
    girths: NO_GIRTHS,
    wants: ['mass'],
    equations: {
      male: ['jackson-pollock-4-direct', 'jackson-pollock-3-direct'],
      female: ['jackson-pollock-4', 'jackson-pollock-4-direct', 'jackson-pollock-3-direct'],
    },
  },
  {
    ...US_RULES,
    id: 'four-fold-dw',
    name: say('protocols.fourFoldsDurninWomersley'),
    when: say('protocols.widestRangeAges72Men'),
    standard: 'dw',
    folds: both<SkinfoldId[]>(['biceps', 'triceps', 'subscapular', 'iliac_crest']),
    girths: NO_GIRTHS,
    wants: ['mass'],
    equations: both(['durnin-womersley-4']),
  },
  {
    ...INT_RULES,
    id: 'eight-fold-int',
    name: say('protocols.eightFoldsInternational'),
    when: say('protocols.athletesInternationalSitesSumFollow'),
    folds: both<SkinfoldId[]>(EIGHT_INT),
    girths: NO_GIRTHS,
    wants: ['mass'],
    equations: EIGHT_FED,
  },
  {
    ...US_RULES,
    id: 'nine-fold',
    name: say('protocols.nineFolds'),
    when: say('protocols.physiquePreparationSumNineOver'),
    folds: both(NINE_FOLDS),
    girths: NO_GIRTHS,
    wants: ['mass'],
    equations: both(['nine-site-ratio']),
  },
  {
    ...US_RULES,
    id: 'tape-only',
    name: say('protocols.tapeOnly'),
    when: say('protocols.withoutCaliperWhereFoldsCannot'),
    folds: NO_FOLDS,
    girths: { male: ['neck', 'abdomen'], female: ['neck', 'waist', 'hip'] },
    wants: ['height', 'mass'],
    equations: both(['navy-inch', 'hodgdon-beckett']),
  },
  {
    ...US_RULES,
    id: 'very-overweight',
    name: say('protocols.girthsVeryOverweight'),
    when: say('protocols.whenFoldsTooThickJaws'),
    folds: NO_FOLDS,
    girths: both<GirthId[]>(['abdomen', 'waist_midway', 'iliac', 'hip', 'neck']),
    wants: ['height', 'mass'],
    equations: both(['weltman-obese', 'tran-weltman', 'relative-fat-mass']),
  },
  {
    ...US_RULES,
    id: 'youth',
    name: say('protocols.youthTwoFolds'),
    when: say('protocols.n817YearsGuardiansConsent'),
    folds: both<SkinfoldId[]>(['triceps', 'medial_calf']),
    girths: NO_GIRTHS,
    wants: ['mass'],
    equations: both(['slaughter-2-calf']),
  },
  {
    ...US_RULES,
    id: 'home-weekly',
    name: say('protocols.weeklyHome'),
    when: say('protocols.betweenCheckInsClientShoulders'),
    standard: 'gym',
    folds: NO_FOLDS,
    // The navel is the one waist that somebody alone finds again.
    girths: both<GirthId[]>(['shoulders', 'abdomen', 'hip']),
    wants: ['mass'],
    girthTrials: {
      ...US_RULES.girthTrials,
      ...{ count: 1, most: 1, tolerance: { kind: 'cm', value: 1.3 } },
    },
    equations: both<string[]>([]),
  },
  {
    ...INT_RULES,
    id: 'restricted-profile',
    name: say('protocols.restrictedProfile'),
    when: say('protocols.restrictedProfileWhen'),
    folds: both<SkinfoldId[]>(EIGHT_INT),
    girths: both<GirthId[]>([
      'upper_arm_relaxed',
      'upper_arm_flexed',
      'waist',
      'hip',
      'calf_girth',
    ]),
    bones: both<BoneId[]>(['humerus', 'femur']),
    wants: ['height', 'mass'],
    equations: EIGHT_FED,
  },
  {
    ...INT_RULES,
    id: 'full-profile',
    name: say('protocols.fullProfile'),
    when: say('protocols.fullProfileWhen'),
    // The last two are what Matiegka's masses want besides.
    folds: both<SkinfoldId[]>([...EIGHT_INT, 'tenth_rib', 'inner_forearm']),
    girths: both<GirthId[]>([
      ...(['head', 'neck', 'upper_arm_relaxed', 'upper_arm_flexed', 'forearm', 'wrist'] as const),
      ...(['chest_girth', 'waist', 'hip', 'thigh_girth', 'mid_thigh_girth'] as const),
      ...(['calf_girth', 'ankle'] as const),
    ]),
    bones: both<BoneId[]>([...BONE_IDS]),
    wants: ['height', 'mass'],
    equations: EIGHT_FED,
  },
  {
    ...US_RULES,
    id: 'ten-fold-czech',
    name: say('protocols.tenFoldsCzech'),
    when: say('protocols.tenFoldsCzechWhen'),
    standard: 'czech',
    folds: both<SkinfoldId[]>(CZECH_TEN),
    girths: NO_GIRTHS,
    wants: ['mass'],
    equations: both(['parizkova-10']),
  },
]

/**
 * The protocol of that id.
 *
 * @param own the coach's own protocols, searched after the named ones
 * @throws InputError naming `protocol` when there is none
 */
export function protocolById(id: string, own: readonly Protocol[] = []): Protocol {
  const all = [...PROTOCOLS, ...own]
  const protocol = all.find((p) => p.id === id)
  if (!protocol) {
    throw inputError(
      'protocol',
      'unknown',
      say('protocols.protocol'),
      id,
      all.map((p) => p.id).join(', '),
    )
  }
  return protocol
}

/** Every site of a protocol for one sex, folds first, in the order in which they are taken. */
export const sitesOf = (
  { folds, girths, bones }: Pick<Protocol, 'folds' | 'girths' | 'bones'>,
  sex: Sex,
): SiteId[] => [...folds[sex], ...girths[sex], ...bones[sex]]

/** The standard that a fold of a protocol is located by. */
export function standardOfSite(protocol: Protocol, site: SkinfoldId): LandmarkStandard {
  return standardWithin(site, protocol.standard)!
}
