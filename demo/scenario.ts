/* One long file, since it is one story: cut up, its people and dates could not be followed from one to the other. */

import type { FigureView } from '../app/ui/figure/outline'
import { randomLcg, randomNormal } from 'd3-random'
import { v5 as uuidFrom } from 'uuid'
import {
  addDays,
  DEFAULT_CADENCE_DAYS,
  KG_PER_POUND,
  limitsOf,
  nextFold,
  ownProtocol,
  protocolById,
  RELOCATION_SHARE,
  SEVEN_FOLDS,
  standardOfSite,
  techniqueOf,
  usualRepeatError,
  type Conditions,
  type Conversion,
  type GirthId,
  type GroupTerm,
  type OwnProtocol,
  type ScreeningAnswers,
  type Sex,
  type SkinfoldId,
  type BoardMeasure,
  kindOfSite,
  type BoneId,
  type SiteId,
} from '../core/index'
import type { CheckIn, ReadingRecord } from '../shared/contract/check-ins'
import type { SiteNote } from '../shared/contract/clients'
import { demoPlans, type DemoPlan, type DemoWish } from './plans'

/*
 * Lock Nine Rowing Club, on a canal: masters crews getting ready for a regatta with weight classes, and a few
 * land-training members. Everybody and everything here is made up. The same seed gives the same club every time, with
 * dates counted back from today.
 */

const SEED = 0.417
const COACH = 'Fenna Dray'
const NAMESPACE = 'b6f1d9a2-3c54-4f0e-9a71-5d2b8c40e913'

export interface DemoClient {
  id: string
  name: string
  sex: Sex
  birthDate: string | null
  birthYear: number | null
  height: { id: string; cm: number; unit: 'cm' | 'ft in' | 'm'; typed: string } | null
  cadenceDays: number
  /** Date of joining, on or before the first check-in. */
  addedOn: string
  showPercentages: boolean
  groupTerm: GroupTerm | null
  weekEndsOn: number | null
  screening?: { answers: ScreeningAnswers; reviewedOn: string }
  siteNotes: SiteNote[]
  archivedOn: string | null
}

/** What the seed does not fill in from the gym. */
type Tools = 'caliperId' | 'tapeId' | 'boneCaliperId' | 'scaleId'
type OfGym = 'testerId' | Tools | 'heightCm' | 'voided' | 'revision'

export interface DemoCheckIn extends Omit<CheckIn, OfGym> {
  readings: DemoReading[]
  /** Taken by the club's second hand. */
  byOther: boolean
}

/** A reading before the seed says who took it and with what. */
export type DemoReading = Omit<
  ReadingRecord,
  'testerId' | 'instrumentId' | 'correctedBy' | 'sentBy'
>

export interface DemoWeighIn {
  clientId: string
  date: string
  kg: number
}

export interface DemoEvent {
  clientId: string
  date: string
  kind: 'phase' | 'holiday' | 'injury'
  words: string
}

export interface DemoPhoto {
  id: string
  clientId: string
  view: FigureView
  build: Sex
  takenOn: string
  /** How wide the drawn figure is against its outline, and how near the camera stood. */
  wide: number
  near: number
}

export interface Scenario {
  ownProtocols: OwnProtocol[]
  coachName: string
  weighIns: DemoWeighIn[]
  events: DemoEvent[]
  photos: DemoPhoto[]
  plans: DemoPlan[]
  groups: {
    id: string
    name: string
    startsOn: string
    endsOn: string
    measure: BoardMeasure
    clientIds: string[]
  }[]
  clients: DemoClient[]
  checkIns: DemoCheckIn[]
}

interface Person {
  name: string
  sex: Sex
  /** Completed years today. */
  age: number
  /** Left out where nobody measured it. */
  height?: [cm: number, unit: 'cm' | 'ft in' | 'm', typed: string]
  /** Error-free folds at the first check-in, of the seven or of the set's own: see `sitesOfFolds`. */
  folds: number[]
  /** Error-free body mass at the first check-in, kg. */
  massKg: number
  massUnit?: 'lb'
  protocol?:
    'three-fold' | 'eight-fold-int' | 'full-profile' | 'home-weekly' | 'youth' | 'ten-fold-czech'
  /** Density to fat % as the coach has chosen it; Siri's where not said. */
  conversion?: Conversion
  /** A set of the coach's own, in place of a named one. */
  ownProtocol?: OwnProtocol
  /** Only the year of birth is on record. */
  yearOnly?: boolean
  cadenceDays?: number
  /** Days ago of each check-in, oldest first. */
  daysAgo: number[]
  /** Folds at the last check-in as a share of the first. */
  foldsTo?: number
  /** Body mass at the last check-in less the first, kg. */
  massBy?: number
  /** Folds of the last check-in besides, as a share: found too high that day. */
  strayTo?: number
  /** Every second check-in is taken by the club's other hand. */
  byTurns?: true
  /** Measured at any time of the day, after training and meals. */
  anyTime?: true
  /** Readings in so far of a check-in under way today. */
  underWay?: number
  /** Conditions of the last check-in, where they are not those of every other. */
  lastConditions?: Conditions
  screening?: { answers: ScreeningAnswers; daysAgo: number }
  siteNotes?: SiteNote[]
  hidePercentages?: boolean
  groupTerm?: GroupTerm
  /** Girths of the last check-in, cm, with what they were at the first: neck, waist, hip, relaxed arm, mid-thigh, calf. */
  girths?: { site: GirthId; from: number; to: number }[]
  /** Breadths and lengths, cm: those of a grown person stay as they are. */
  bones?: Partial<Record<BoneId, number>>
  /** Weighs in most mornings of so many weeks up to the last check-in. */
  weighInWeeks?: number
  /** The last day of the client's own week, 0 for Monday. */
  weekEndsOn?: number
  /** How clothes fit and how it feels, in a line, at the last check-in. */
  feels?: string
  events?: { daysAgo: number; kind: DemoEvent['kind']; words: string }[]
  /** Plans kept at check-ins, each in place of the one before it. */
  plans?: DemoWish[]
  /** Figures drawn at the first and the last check-in, with how wide. */
  drawn?: [first: number, last: number]
}

/** Check-ins every so many days, the last one so many days ago. */
function every(days: number, count: number, last: number): number[] {
  return Array.from({ length: count }, (_, i) => last + days * (count - 1 - i))
}

/** A set as another club takes it. */
const CREW_FOLDS: OwnProtocol = {
  id: 'own-crew-folds',
  name: 'Crew folds, one at a time',
  standard: 'int',
  folds: [
    'triceps',
    'subscapular',
    'supraspinale',
    'medial_calf',
    'front_thigh',
    'own_fold_high_calf',
  ],
  girths: [],
  foldTrials: {
    ...{ order: 'one site', count: 2, most: 5, value: 'closest two', dropsFirst: false },
    tolerance: { kind: 'mm', value: 1 },
  },
  girthTrials: {
    ...{ order: 'rounds', count: 1, most: 1, value: 'mean', dropsFirst: false },
    tolerance: { kind: 'cm', value: 0.5 },
  },
  readingDelaySeconds: null,
  wording: {
    supraspinale: { name: 'Front of the hip' },
    front_thigh: { technique: 'supported' },
    own_fold_high_calf: { landmark: 'Inside of the calf, a hand’s breadth under the knee.' },
  },
}

/** Days ago of the last check-in. */
const lastOf = ({ daysAgo }: Person) => daysAgo.at(-1)!

/** Before breakfast and training, as the club does it. */
const USUAL_CONDITIONS: Conditions = {
  time: 'morning',
  food: 'fasted',
  training: 'before',
  skin: 'dry',
}

const PEOPLE: Person[] = [
  {
    // Loses fat and holds lean.
    name: 'Tilda Marrowby',
    sex: 'female',
    age: 41,
    height: [171, 'cm', '171 cm'],
    folds: [12.5, 14.5, 21, 16.5, 28, 22, 31],
    massKg: 69.6,
    daysAgo: every(28, 13, 12),
    foldsTo: 0.72,
    massBy: -5.4,
    screening: { answers: { flags: [], training: 'athlete', build: 'usual' }, daysAgo: 68 },
    siteNotes: [
      { site: 'triceps', standard: 'us', text: 'two fingers above the freckle', side: 'right' },
      { site: 'abdominal', standard: 'us', text: 'level with the small scar', side: 'right' },
    ],
    girths: [
      { site: 'waist', from: 79, to: 73.5 },
      { site: 'hip', from: 101, to: 97 },
      { site: 'upper_arm_relaxed', from: 29.6, to: 28.9 },
      { site: 'mid_thigh_girth', from: 54.5, to: 52.8 },
    ],
    weighInWeeks: 24,
    weekEndsOn: 4,
    feels: 'racing suit zips without help, sleeping well',
    events: [
      { daysAgo: 250, kind: 'phase', words: 'regatta preparation' },
      { daysAgo: 110, kind: 'holiday', words: 'two weeks at the sea' },
    ],
    drawn: [1.08, 0.98],
    plans: [
      {
        ...{ visit: 4, activity: 1.55, training: 'endurance', purpose: 'preparation' },
        goal: { kind: 'loseMass', value: 6 },
        pace: { unit: 'percentMass', value: 0.4 },
      },
      {
        // Slower from the summer on, and to a weight.
        ...{ visit: 7, activity: 1.55, exerciseKcal: 350, training: 'endurance' },
        goal: { kind: 'mass', value: 63 },
        pace: { unit: 'percentMass', value: 0.18 },
        nutrients: {
          protein: { value: 1.6, by: 'perKg' },
          fat: { value: 28, by: 'percent' },
          ...{ meals: 4, diet: 'vegetarian' },
        },
      },
    ],
  },
  {
    // Loses weight but not folds: lean or water.
    name: 'Gus Penhallow',
    sex: 'male',
    age: 52,
    height: [185.42, 'ft in', '6\'1"'],
    folds: [14, 15, 12, 17, 26, 19, 16],
    massKg: 91.3,
    massUnit: 'lb',
    daysAgo: every(21, 6, 5),
    cadenceDays: 21,
    foldsTo: 1,
    massBy: -4.6,
    weighInWeeks: 3,
    events: [{ daysAgo: 60, kind: 'injury', words: 'sore back, no rowing' }],
    plans: [
      {
        ...{ visit: 1, activity: 1.375, training: 'strength' },
        goal: { kind: 'loseMass', value: 5 },
        pace: { unit: 'percentMass', value: 0.4 },
        nutrients: {
          protein: { value: 1.8, by: 'perKg' },
          ...{ meals: 3, diet: 'everything' },
        },
      },
    ],
  },
  {
    name: 'Orla Finchett',
    sex: 'female',
    age: 36,
    height: [168, 'm', '1,68 m'],
    folds: [9.5, 11.5, 17.5, 13.5, 22, 17, 27],
    massKg: 63.2,
    daysAgo: every(28, 5, 28),
    foldsTo: 0.95,
    massBy: -1,
    underWay: 9,
    lastConditions: { ...USUAL_CONDITIONS, training: 'after', time: 'evening' },
    screening: { answers: { flags: [], training: 'recreational', build: 'usual' }, daysAgo: 240 },
    siteNotes: [
      { site: 'triceps', standard: 'us', text: 'by the freckle, 1 cm out', side: 'right' },
      { site: 'subscapular', standard: 'us', text: 'just under the mole', side: 'right' },
    ],
    // Weeks out: races lightweight at the regatta, and gets there without sweating.
    plans: [
      {
        ...{ visit: 4, activity: 1.55, exerciseKcal: 250, training: 'endurance' },
        ...{ inDays: 103, peakWeek: true, purpose: 'preparation' },
        goal: { kind: 'mass', value: 59, occasion: 'weigh-in' },
        breaks: { every: 6, weeks: 1 },
        nutrients: {
          protein: { value: 1.7, by: 'perKg' },
          carbohydrate: { value: 4, by: 'perKg' },
          ...{ meals: 4, diet: 'everything' },
        },
      },
    ],
  },
  {
    name: 'Bram Tolliver',
    sex: 'male',
    age: 45,
    height: [180.34, 'ft in', '5\'11"'],
    folds: [17, 19, 15, 21, 34, 25, 19],
    massKg: 94.8,
    massUnit: 'lb',
    daysAgo: every(28, 4, 47),
    foldsTo: 0.93,
    massBy: -1.9,
  },
  {
    name: 'Ines Calloway',
    sex: 'female',
    age: 58,
    height: [164, 'cm', '164'],
    folds: [14, 17, 24, 20, 31, 24, 34],
    massKg: 70.4,
    daysAgo: every(42, 7, 20),
    cadenceDays: 42,
    foldsTo: 0.9,
    massBy: -2.1,
    hidePercentages: true,
    screening: { answers: { flags: ['bleeding tendency'], build: 'usual' }, daysAgo: 20 },
  },
  {
    name: 'Hugo Brandreth',
    sex: 'male',
    age: 63,
    height: [176.53, 'ft in', '5\'9 1/2"'],
    folds: [15, 17, 12.5, 19, 28, 20, 15],
    massKg: 82.1,
    daysAgo: every(42, 5, 42),
    cadenceDays: 42,
    foldsTo: 1.05,
    massBy: 0.9,
  },
  {
    name: 'Petra Longstaff',
    sex: 'female',
    age: 29,
    height: [178, 'cm', '178 cm'],
    folds: [8, 9.5, 15, 11, 17, 13, 23],
    massKg: 70.8,
    daysAgo: [16],
    // Asked for a weight that is not planned here.
    plans: [
      {
        ...{ visit: 0, activity: 1.55, training: 'endurance', refused: true },
        goal: { kind: 'mass', value: 60 },
        pace: { unit: 'percentMass', value: 0.5 },
      },
    ],
  },
  {
    name: 'Dov Arkwright',
    sex: 'male',
    age: 24,
    height: [190.5, 'ft in', '6\'3"'],
    folds: [6, 7.5, 8, 9.5, 13, 9, 11],
    massKg: 86.2,
    protocol: 'three-fold',
    daysAgo: every(28, 3, 8),
    massBy: 1.2,
    foldsTo: 0.97,
  },
  {
    // Creeping up.
    name: 'Marguerite Oyel',
    sex: 'female',
    age: 48,
    height: [166, 'cm', '166 cm'],
    folds: [11, 13, 20, 15, 25, 19, 30],
    massKg: 65.9,
    daysAgo: every(28, 11, 25),
    foldsTo: 1.17,
    massBy: 3.1,
  },
  {
    // Gains lean.
    name: 'Col Wetherden',
    sex: 'male',
    age: 38,
    height: [183, 'cm', '183 cm'],
    folds: [9, 11, 9.5, 12.5, 19, 13, 13],
    massKg: 80.3,
    daysAgo: every(28, 8, 2),
    foldsTo: 0.98,
    massBy: 2.9,
  },
  {
    name: 'Suki Prenderby',
    sex: 'female',
    age: 33,
    height: [160.02, 'ft in', '5\'3"'],
    folds: [9, 11, 17, 13, 20, 15, 25],
    massKg: 58,
    daysAgo: [],
  },
  {
    name: 'Anton Greavesley',
    sex: 'male',
    age: 50,
    height: [179, 'cm', '179 cm'],
    folds: [13, 15, 11.5, 16, 25, 18, 15],
    massKg: 84.5,
    protocol: 'three-fold',
    daysAgo: every(28, 6, 28),
    foldsTo: 0.97,
    massBy: -0.9,
    // Behind: he meant to lose four times as much.
    plans: [
      {
        ...{ visit: 0, activity: 1.375, training: 'strength' },
        goal: { kind: 'girth', girth: 'waist', value: 88.5 },
        pace: { unit: 'percentMass', value: 0.35 },
      },
    ],
    girths: [{ site: 'waist', from: 94, to: 93 }],
  },
  {
    // Follows the sum of eight; no percentage is wanted.
    name: 'Wynne Farrow',
    sex: 'female',
    age: 31,
    height: [172, 'cm', '172'],
    // Triceps, subscapular, biceps, iliac crest, supraspinale, abdominal, front thigh, medial calf, tenth rib, forearm.
    folds: [14, 12, 7, 16, 11, 17, 17, 10],
    massKg: 66.4,
    protocol: 'eight-fold-int',
    daysAgo: every(42, 3, 6),
    foldsTo: 0.83,
    massBy: -1.1,
    hidePercentages: true,
  },
  {
    // Sends a tape and a weight from home every week.
    name: 'Rufus Kettlewell',
    sex: 'male',
    age: 44,
    height: [182.88, 'ft in', '6\'0"'],
    folds: [],
    massKg: 104.2,
    massUnit: 'lb',
    protocol: 'home-weekly',
    cadenceDays: 7,
    daysAgo: every(7, 15, 1),
    massBy: -6.8,
    girths: [
      { site: 'shoulders', from: 124, to: 123.5 },
      { site: 'abdomen', from: 113.5, to: 106 },
      { site: 'hip', from: 111, to: 107 },
    ],
    weighInWeeks: 8,
    feels: 'belt one hole tighter',
  },
  {
    // Came over from another club with its ways: one site after another until two readings agree, by a caliper that
    // clicks, the thigh held up by herself, a calf of that club's own. She gave the year she was born in and no height.
    name: 'Odile Marsh',
    sex: 'female',
    age: 29,
    yearOnly: true,
    folds: [14, 11.5, 10, 11, 18.5, 12],
    foldsTo: 0.86,
    massKg: 67.4,
    massBy: -1.3,
    ownProtocol: CREW_FOLDS,
    daysAgo: every(28, 4, 9),
  },
  {
    // Makes weight for a race, and too fast.
    name: 'Lowell Tench',
    sex: 'male',
    age: 27,
    height: [184, 'cm', '184 cm'],
    folds: [8, 10, 9, 11.5, 16, 12, 11],
    massKg: 78.4,
    daysAgo: every(7, 5, 4),
    cadenceDays: 7,
    foldsTo: 0.82,
    massBy: -6,
    weighInWeeks: 4,
  },
  {
    // Holds, until a check-in after a long hot day.
    name: 'Esme Hallard',
    sex: 'female',
    age: 39,
    height: [169, 'cm', '169 cm'],
    folds: [10, 12, 18, 14, 22, 17, 27],
    massKg: 63.4,
    daysAgo: every(35, 8, 17),
    cadenceDays: 35,
    strayTo: 1.16,
  },
  {
    // Measured by two hands in turn.
    name: 'Nell Sorrel',
    sex: 'female',
    age: 46,
    height: [167, 'cm', '167 cm'],
    folds: [13, 15, 22, 17, 28, 22, 32],
    massKg: 71.2,
    daysAgo: every(28, 9, 14),
    foldsTo: 0.8,
    massBy: -4.6,
    byTurns: true,
  },
]

/** One who has left the club, measured for two years at any time of the day. */
function former(
  name: string,
  sex: Sex,
  age: number,
  [tall, massKg]: [cm: number, massKg: number],
  [folds, foldsTo, massBy]: [folds: number[], foldsTo: number, massBy: number],
): Person {
  return {
    ...{ name, sex, age, folds, massKg, foldsTo, massBy, anyTime: true },
    height: [tall, 'cm', `${tall} cm`],
    daysAgo: every(56, 12, 300),
  }
}

/** Members who have left: their records still tell how well the club measures. */
const FORMER: Person[] = [
  former('Jory Pellow', 'male', 41, [178, 83], [[11, 15, 13, 17, 27, 19, 17], 0.9, -2.2]),
  former('Sabra Winnick', 'female', 35, [166, 62], [[10, 12, 18, 14, 20, 16, 26], 1.05, 0.6]),
  former('Ludo Hatherley', 'male', 29, [186, 88], [[9, 13, 10, 14, 20, 15, 14], 1, 1.4]),
  former('Mercy Tarrant', 'female', 52, [163, 74], [[14, 18, 26, 20, 31, 25, 34], 0.88, -3.1]),
  former('Piers Amberly', 'male', 58, [175, 90], [[14, 17, 14, 20, 33, 24, 19], 1.08, 1.8]),
  former('Zora Quillan', 'female', 26, [172, 66], [[9, 11, 17, 13, 18, 14, 24], 1, 0]),
  former('Abel Strand', 'male', 37, [181, 79], [[8, 12, 9, 12, 18, 13, 12], 1.1, 1.2]),
  former('Flora Denham', 'female', 44, [168, 69], [[12, 15, 22, 17, 26, 21, 30], 0.94, -1.5]),
]

const stays = (site: GirthId, cm: number) => ({ site, from: cm, to: cm })

/** Measured whole: about forty measures by the international standard, three times in a winter. */
const PROFILED: Person[] = [
  {
    // Rows, and has built muscle on less fat: the somatotype has moved.
    name: 'Perrin Oakshott',
    sex: 'male',
    age: 24,
    height: [191, 'cm', '191'],
    // Triceps, subscapular, biceps, iliac crest, supraspinale, abdominal, front thigh, medial calf, tenth rib, forearm.
    folds: [11, 12, 5.5, 16, 10.5, 18, 14.5, 9, 11.5, 5],
    massKg: 87.6,
    protocol: 'full-profile',
    daysAgo: every(84, 3, 18),
    cadenceDays: 84,
    foldsTo: 0.66,
    massBy: 1.4,
    screening: { answers: { flags: [], training: 'athlete', build: 'usual' }, daysAgo: 190 },
    girths: [
      ...[stays('head', 58), stays('neck', 39), { site: 'upper_arm_relaxed', from: 33, to: 34.4 }],
      ...[{ site: 'upper_arm_flexed', from: 35, to: 37.2 }, stays('forearm', 29.2)],
      ...[stays('wrist', 17.8), { site: 'chest_girth', from: 101, to: 104 }],
      ...[
        { site: 'waist', from: 83.5, to: 80.5 },
        { site: 'hip', from: 100, to: 98.5 },
      ],
      ...[stays('thigh_girth', 60), { site: 'mid_thigh_girth', from: 56, to: 57.2 }],
      ...[{ site: 'calf_girth', from: 38.2, to: 39 }, stays('ankle', 23.4)],
    ] as Person['girths'],
    bones: {
      ...{ sitting_height: 98.5, arm_span: 196, upper_arm_length: 35.8, forearm_length: 27.2 },
      ...{ hand_length: 20.4, hip_point_height: 107, trochanter_height: 100, thigh_length: 48.6 },
      ...{ knee_height: 51.4, tibia_length: 41.2, foot_length: 28.6, biacromial: 42.4 },
      ...{ biiliocristal: 29.8, chest_breadth: 31, chest_depth: 20.4, humerus: 7.5 },
      ...{ wrist_breadth: 6, femur: 10.2, ankle_breadth: 7.4 },
    },
  },
]

/** Measured by what was made for people like them, or by what their records were kept by. */
const BY_THEIR_OWN: Person[] = [
  {
    // Swims, and is thirteen: a guardian consents, two folds, no percentages, BMI among those of her age.
    name: 'Minna Wickfield',
    sex: 'female',
    age: 13,
    height: [158, 'cm', '158'],
    folds: [13, 15],
    massKg: 49.5,
    protocol: 'youth',
    daysAgo: every(84, 3, 24),
    cadenceDays: 84,
    massBy: 1.6,
    hidePercentages: true,
    screening: { answers: { flags: [], training: 'athlete', build: 'usual' }, daysAgo: 200 },
  },
  {
    // Brought a record of twenty years from abroad, and goes on with it.
    name: 'Vesna Morland',
    sex: 'female',
    age: 44,
    height: [169, 'cm', '169'],
    // Cheek, chin, chest, tenth rib, triceps, subscapular, abdominal, suprailiac, above the knee, back of the calf.
    folds: [9, 7, 11, 13, 19, 15, 22, 17, 16, 14],
    massKg: 66.4,
    protocol: 'ten-fold-czech',
    daysAgo: every(42, 4, 11),
    cadenceDays: 42,
    foldsTo: 0.9,
    massBy: -2.2,
  },
  {
    // Says to be of the group that a conversion was made on, and is measured by it.
    name: 'Odette Marlowe',
    sex: 'female',
    age: 33,
    height: [171, 'cm', '171'],
    folds: [10, 13, 18, 14, 19, 15, 24],
    massKg: 71,
    conversion: 'ortiz',
    groupTerm: 'black',
    daysAgo: every(28, 4, 9),
    foldsTo: 0.93,
    massBy: -1.4,
  },
]

/** Sets whose folds are not among the seven. */
const NAMED_SETS: ReadonlySet<string> = new Set([
  ...['eight-fold-int', 'full-profile', 'youth', 'ten-fold-czech'],
])

/** The sites that a person's folds are of. */
const sitesOfFolds = ({ protocol, ownProtocol: own, sex }: Person): readonly SkinfoldId[] =>
  own?.folds ??
  (protocol && NAMED_SETS.has(protocol) ? protocolById(protocol).folds[sex] : SEVEN_FOLDS)

const CALIPER_STEP_MM = 0.5
const SCALE_STEP_KG = 0.1
const TAPE_STEP_CM = 0.1
const DAY_TO_DAY_MASS_KG = 0.6
/** At any time of the day: by so much body mass is off, and by what share all folds together. */
const ANY_TIME = { massKg: 1, session: 0.02 }

function toStep(value: number, step: number) {
  // Twelve digits are enough to undo the binary tail of 0.1 and keep what a scale shows.
  return Number((Math.round(value / step) * step).toPrecision(12))
}

/**
 * The made-up club.
 *
 * @param today date that the check-ins are counted back from, YYYY-MM-DD
 * @returns coach, clients and check-ins with every reading, ready to store
 */
export function scenario(today: string): Scenario {
  const normal = randomNormal.source(randomLcg(SEED))(0, 1)
  const id = (...parts: (string | number)[]) => uuidFrom(parts.join('/'), NAMESPACE)

  const everybody = [...PEOPLE, ...FORMER, ...PROFILED, ...BY_THEIR_OWN]
  const clients = everybody.map((person, index): DemoClient => ({
    id: id(person.name),
    name: person.name,
    sex: person.sex,
    // So many birthdays ago, and some weeks more.
    birthDate: person.yearOnly
      ? null
      : addDays(today, -Math.round((person.age + 0.1 + index / 16) * 365.2425)),
    birthYear: person.yearOnly ? Number(today.slice(0, 4)) - person.age : null,
    height: person.height
      ? {
          id: id(person.name, 'height'),
          cm: person.height[0],
          unit: person.height[1],
          typed: person.height[2],
        }
      : null,
    cadenceDays: person.cadenceDays ?? DEFAULT_CADENCE_DAYS,
    addedOn: addDays(today, -(person.daysAgo[0] ?? 0)),
    showPercentages: !person.hidePercentages,
    groupTerm: person.groupTerm ?? null,
    weekEndsOn: person.weekEndsOn ?? null,
    ...(person.screening
      ? {
          screening: {
            answers: person.screening.answers,
            reviewedOn: addDays(today, -person.screening.daysAgo),
          },
        }
      : {}),
    siteNotes: person.siteNotes ?? [],
    archivedOn: FORMER.includes(person) ? addDays(today, 7 - lastOf(person)) : null,
  }))
  const of = (person: Person) => clients[everybody.indexOf(person)]!.id

  const checkInsOf = (person: Person) => {
    const client = clients.find((one) => one.id === of(person))!
    const visits = person.underWay ? [...person.daysAgo, 0] : person.daysAgo
    return visits.map((daysAgo, visit) => {
      const progress = visits.length > 1 ? visit / (visits.length - 1) : 0
      const stray = visit === visits.length - 1 ? (person.strayTo ?? 1) : 1
      const share = stray * (1 + ((person.foldsTo ?? 1) - 1) * progress)
      const mass = person.massKg + (person.massBy ?? 0) * progress
      return measured(person, client, visit, addDays(today, -daysAgo), share, mass, progress)
    })
  }
  const checkInsOfMembers = PEOPLE.flatMap(checkInsOf)
  const weighIns = PEOPLE.flatMap((person) => {
    const days = (person.weighInWeeks ?? 0) * 7
    const perDay = (person.massBy ?? 0) / Math.max(1, person.daysAgo[0]! - lastOf(person))
    return Array.from({ length: days }, (_, i) => i).flatMap((i): DemoWeighIn[] => {
      const daysBefore = days - 1 - i
      const swing = normal() * DAY_TO_DAY_MASS_KG * (i === days - 18 ? 4 : 1)
      // Every ninth morning is forgotten.
      if (i % 9 === 4) return []
      const kg = toStep(
        person.massKg + (person.massBy ?? 0) - perDay * daysBefore + swing,
        SCALE_STEP_KG,
      )
      const date = addDays(today, -(lastOf(person) + daysBefore))
      return [{ clientId: of(person), date, kg }]
    })
  })
  const checkIns = [
    ...checkInsOfMembers,
    ...[...FORMER, ...PROFILED, ...BY_THEIR_OWN].flatMap(checkInsOf),
  ]
  const events = PEOPLE.flatMap((person) =>
    (person.events ?? []).map(({ daysAgo, ...event }) => ({
      ...event,
      clientId: of(person),
      date: addDays(today, -daysAgo),
    })),
  )
  const photos = PEOPLE.flatMap((person) =>
    (person.drawn ?? []).flatMap((wide, i) => {
      const takenOn = addDays(today, -(i === 0 ? person.daysAgo[0]! : lastOf(person)))
      return (['front', 'side', 'back'] as const).map((view) => ({
        ...{ id: id(person.name, takenOn, view), clientId: of(person), view, takenOn, wide },
        build: person.sex,
        near: i === 0 ? 0.86 : 0.95,
      }))
    }),
  )
  const plans = PEOPLE.flatMap((person) => {
    const client = clients[PEOPLE.indexOf(person)]!
    return demoPlans(
      person.plans ?? [],
      {
        person: { ...client, heightCm: client.height?.cm ?? null },
        screening: client.screening?.answers,
        checkIns: checkIns.filter(({ clientId, closedAt }) => clientId === client.id && closedAt),
        today,
      },
      {
        ...{ clientId: client.id, madeBy: COACH },
        idOf: (i) => id(person.name, 'plan', i),
      },
    )
  })
  const [running, over] = [-10, 1].map((daysAgo) => ({
    ...{ startsOn: addDays(today, -100), endsOn: addDays(today, -daysAgo) },
    clientIds: PEOPLE.filter((person) => person.daysAgo.length > 3).map(of),
  }))
  const groups = [
    {
      ...{ ...running!, id: id('group'), name: 'Spring regatta challenge' },
      measure: 'recomposition' as const,
    },
    // Closed: its result is kept, and is there to print.
    {
      ...{ ...over!, id: id('group of folds'), name: 'Lighter by the boat race' },
      measure: 'bodyMass' as const,
    },
  ]
  const ownProtocols = PEOPLE.flatMap(({ ownProtocol: own }) => own ?? [])
  return {
    coachName: COACH,
    ownProtocols,
    clients,
    checkIns,
    weighIns,
    events,
    photos,
    plans,
    groups,
  }

  /** One check-in as a trained hand would have taken it: re-marked on the day, two rotations, thirds where apart. */
  function measured(
    person: Person,
    client: DemoClient,
    visit: number,
    measuredOn: string,
    share: number,
    massKg: number,
    progress: number,
  ): DemoCheckIn {
    const protocol = person.ownProtocol
      ? ownProtocol(person.ownProtocol)
      : protocolById(person.protocol ?? 'seven-fold')
    const checkInId = id(person.name, visit)
    const startedAt = `${measuredOn}T07:${String(10 + visit).padStart(2, '0')}:00.000Z`
    const day = person.anyTime ? 1 + ANY_TIME.session * normal() : 1
    const marks = Object.fromEntries(
      sitesOfFolds(person).map((site, i) => [
        site,
        (person.folds[i] ?? 0) * share * day + normal() * RELOCATION_SHARE * usualRepeatError(site),
      ]),
    ) as Partial<Record<SkinfoldId, number>>
    const readings: DemoReading[] = []
    const add = (
      reading: Pick<
        DemoReading,
        'kind' | 'site' | 'standard' | 'technique' | 'trial' | 'value' | 'typedUnit' | 'typedText'
      >,
    ) =>
      readings.push({
        ...reading,
        id: id(checkInId, readings.length),
        takenAt: new Date(Date.parse(startedAt) + 20_000 * (readings.length + 1)).toISOString(),
        supersedes: null,
      })
    const takeFold = (site: SkinfoldId, trial: number) => {
      const value = Math.max(
        limitsOf(site).hardLow,
        toStep(marks[site]! + normal() * usualRepeatError(site), CALIPER_STEP_MM),
      )
      add({
        kind: 'skinfold',
        site,
        standard: standardOfSite(protocol, site),
        technique: techniqueOf(protocol, site),
        trial,
        value,
        typedUnit: 'mm',
        typedText: String(value),
      })
    }
    const underWay = person.underWay !== undefined && visit === person.daysAgo.length
    for (;;) {
      const step = nextFold(protocol, person.sex, readings)
      if (!step || (underWay && readings.length === person.underWay)) break
      takeFold(step.site, step.trial)
    }
    const around = (person.girths ?? []).map(({ site, from, to }) => ({
      ...{ site: site as SiteId, cm: from + (to - from) * progress },
    }))
    const bones = protocol.bones[person.sex].map((site) => ({
      ...{ site: site as SiteId, cm: person.bones?.[site] ?? 0 },
    }))
    for (const { site, cm } of underWay ? [] : [...around, ...bones]) {
      const girth = cm + normal() * RELOCATION_SHARE * usualRepeatError(site)
      for (const trial of Array.from({ length: protocol.girthTrials.count }, (_, i) => i + 1)) {
        const value = toStep(girth + normal() * usualRepeatError(site), TAPE_STEP_CM)
        add({
          kind: kindOfSite(site),
          site,
          standard: null,
          technique: techniqueOf(protocol, site),
          trial,
          value,
          typedUnit: 'cm',
          typedText: String(value),
        })
      }
    }
    if (!underWay) {
      const off = person.anyTime ? ANY_TIME.massKg : DAY_TO_DAY_MASS_KG / 2
      const shown = toStep(massKg + normal() * off, SCALE_STEP_KG)
      const typed = person.massUnit === 'lb' ? (shown / KG_PER_POUND).toFixed(1) : shown.toFixed(1)
      const value = person.massUnit === 'lb' ? Number(typed) * KG_PER_POUND : Number(typed)
      add({
        kind: 'mass',
        site: null,
        standard: null,
        technique: null,
        trial: 1,
        value,
        typedUnit: person.massUnit ?? 'kg',
        typedText: typed,
      })
    }
    return {
      id: checkInId,
      clientId: client.id,
      protocolId: protocol.id,
      conversion: person.conversion ?? 'siri',
      measuredOn,
      startedAt,
      closedAt: underWay
        ? null
        : new Date(
            Date.parse(startedAt) + Math.max(900_000, 20_000 * (readings.length + 2)),
          ).toISOString(),
      readings,
      byOther: person.byTurns === true && visit % 2 === 1,
      skipped: [],
      ownProtocol: person.ownProtocol ?? null,
      tolerance: null,
      extraGirths: (person.girths ?? [])
        .map(({ site }) => site)
        .filter((site) => !protocol.girths[person.sex].includes(site)),
      conditions: {
        ...(underWay ? (person.lastConditions ?? USUAL_CONDITIONS) : USUAL_CONDITIONS),
        ...(person.feels && visit === person.daysAgo.length - 1 ? { feels: person.feels } : {}),
      },
      consent: { by: person.age < 18 ? 'guardian' : 'client', at: startedAt },
      massDry: underWay ? null : true,
      fromPaper: false,
    }
  }
}
