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
  population: 'physique athletes',
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
    name: 'Nine folds over body mass',
    family: 'Nine-site ratio',
    standard: 'us',
    notes: [
      'Common practice, with no published source, sample or error. Good for following one person, not for a level.',
      'The lower back is the gym’s own site; the other eight are American textbook sites.',
    ],
    variants: [nineSite('male'), nineSite('female')],
  },
]
