import { say } from '../say'
import type { Sex, KnownFold } from '../anatomy/ids'
import { sumPerPound, term } from './basis'
import type { Equation, Variant } from './types'

export const NINE_FOLDS: KnownFold[] = [
  'chest',
  'subscapular',
  'biceps',
  'triceps',
  'lower_back',
  'suprailiac',
  'abdominal',
  'thigh',
  'medial_calf',
]

const nineSite = (sex: Sex): Variant => ({
  sex,
  ages: null,
  population: say('methods.physiqueAthletes'),
  madeOn: 'athletes',
  citation: 'common practice among physique coaches, no published source',
  grade: 'common practice',
  folds: NINE_FOLDS,
  girths: [],
  needs: ['massKg'],
  gives: 'fatPercent',
  terms: [term(27, sumPerPound)],
  standardError: null,
})

/** Common practice among physique coaches, no source. */
export const nineSiteRatio: Equation[] = [
  {
    id: 'nine-site-ratio',
    name: say('methods.nineFoldsOverBodyMass'),
    family: say('methods.nineSiteRatio'),
    standard: 'us',
    notes: [
      say('methods.commonPracticePublishedSourceSample'),
      say('methods.lowerBackGymsOwnSite'),
    ],
    variants: [nineSite('male'), nineSite('female')],
  },
]
