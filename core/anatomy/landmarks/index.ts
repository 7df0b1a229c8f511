import type { School, Sex, SkinfoldId } from '../ids'
import { nameOf } from '../names'

export type FoldDirection = 'vertical' | 'diagonal' | 'horizontal'

/** How one school lands and lifts one skinfold. */
export interface Landmark {
  site: SkinfoldId
  school: School
  name: string
  direction: FoldDirection
  /** Which way the fold runs, in words for the figure's caption. */
  runs: string
  /** Where it is, for somebody standing beside the client. */
  where: Record<Sex, string>
  /** Distance from the point it is named after, where the school gives one. */
  offset?: string
  /** Posture while it is taken. */
  posture: string
  /** How to find it, where that takes a trick. */
  finding?: string
  side: 'right'
  /** Other ways in use, by name. */
  variants?: string[]
}

type Details = Pick<Landmark, 'direction' | 'runs' | 'posture'> &
  Partial<Pick<Landmark, 'offset' | 'finding' | 'variants'>> & {
    where: string | Record<Sex, string>
  }

function landmark(site: SkinfoldId, school: School, details: Details): Landmark {
  const { where } = details
  return {
    site,
    school,
    name: nameOf(site),
    side: 'right',
    ...details,
    where: typeof where === 'string' ? { male: where, female: where } : where,
  }
}

const DOWN = 'straight down'
const BLADE_FINDING =
  'Hand behind the back makes the tip of the shoulder blade stand out; then the arm down.'
const CREASE_FINDING = 'The knee lifted a little shows the crease of the groin.'
const CALF_POSTURE = 'Foot on a bench, knee at a right angle, calf loose.'

const US: Landmark[] = [
  landmark('chest', 'us', {
    direction: 'diagonal',
    runs: 'down and in, towards the nipple',
    where: {
      male: 'Half-way along the line from the front fold of the armpit to the nipple.',
      female:
        'On the line from the front fold of the armpit to the nipple, a third of the way down it.',
    },
    posture: 'Arm hanging, chest muscle relaxed.',
  }),
  landmark('midaxillary', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where:
      'On the line straight down from the middle of the armpit, level with the bottom of the breastbone.',
    posture: 'Arm moved a little back or up, out of the way.',
    variants: ['Some lift a horizontal fold at the same point: choose one and keep it.'],
  }),
  landmark('triceps', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where:
      'Back of the arm on its midline, half-way between the bony tip of the shoulder and the point of the elbow.',
    posture: 'Arm hanging loose at the side.',
    finding: 'Elbow bent to a right angle to find the half-way point, then the arm down.',
  }),
  landmark('biceps', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where:
      'Front of the arm over the belly of the muscle, one centimetre above the level of the triceps fold.',
    offset: '1 cm above the triceps level',
    posture: 'Arm hanging, palm to the front.',
  }),
  landmark('subscapular', 'us', {
    direction: 'diagonal',
    runs: 'down and out, 45°',
    where: 'One to two centimetres below the lower tip of the shoulder blade.',
    offset: '1 to 2 cm below the tip',
    posture: 'Arm down and loose.',
    finding: BLADE_FINDING,
  }),
  landmark('abdominal', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Two centimetres to the right of the navel.',
    offset: '2 cm from the navel',
    posture: 'Standing, belly relaxed, breathing quietly.',
    variants: [
      'A horizontal fold 3 cm beside and 1 cm below the navel is another site, not this one.',
    ],
  }),
  landmark('suprailiac', 'us', {
    direction: 'diagonal',
    runs: 'down and in, along the crest',
    where:
      'Just above the hip crest, on the line down from the front of the armpit. Do not drift further forward.',
    posture: 'Arm a little to the back.',
  }),
  landmark('suprailiac_sloan', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Over the hip crest itself, on the line straight down from the middle of the armpit.',
    posture: 'Arm a little to the back.',
  }),
  landmark('thigh', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Front midline, half-way between the crease of the groin and the top of the kneecap.',
    posture: 'Standing, weight on the other leg, this one loose with the knee a little bent.',
    finding: CREASE_FINDING,
  }),
  landmark('medial_calf', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Inside of the calf, where it is thickest.',
    posture: CALF_POSTURE,
  }),
]

const TRICEPS_INT =
  'Back of the arm, at the level half-way between the top edge of the shoulder bone and the head of the radius.'
const ILIAC_CREST =
  'Just above the hip crest, on the line straight down from the middle of the armpit.'

const INT: Landmark[] = [
  landmark('triceps', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: TRICEPS_INT,
    posture: 'Arm hanging loose, palm a little to the front.',
  }),
  landmark('biceps', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Front of the arm over the muscle, at the same level as the triceps fold.',
    offset: 'at the triceps level',
    posture: 'Arm hanging loose, palm a little to the front.',
  }),
  landmark('subscapular', 'int', {
    direction: 'diagonal',
    runs: 'down and out, 45°',
    where:
      'Two centimetres from the lower tip of the shoulder blade, along a line outward and down.',
    offset: '2 cm along a line at 45°',
    posture: 'Arm down and loose.',
    finding: BLADE_FINDING,
  }),
  landmark('iliac_crest', 'int', {
    direction: 'horizontal',
    runs: 'nearly level, a little down to the front',
    where: ILIAC_CREST,
    posture: 'Right arm across the chest or lifted out of the way.',
  }),
  landmark('supraspinale', 'int', {
    direction: 'diagonal',
    runs: 'down and in, about 45°',
    where:
      'Where the line from the front hip point to the front of the armpit crosses the level of the hip crest.',
    posture: 'Standing, arms at the sides.',
    finding: 'Find the front hip point first, then the top of the crest at the side.',
  }),
  landmark('abdominal', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Five centimetres to the right of the navel.',
    offset: '5 cm from the navel',
    posture: 'Standing, belly relaxed, breathing quietly.',
  }),
  landmark('front_thigh', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Front midline, half-way between the crease of the groin and the top of the kneecap.',
    posture: 'Seated at the front edge of a bench, knee at a right angle.',
    finding: CREASE_FINDING,
    variants: [
      'Plain, as it lies.',
      'The client lifts the underside of the thigh with both hands.',
      'The leg is straight, heel down, or lifted by a helper.',
    ],
  }),
  landmark('medial_calf', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Inside of the calf, at its largest girth.',
    posture: CALF_POSTURE,
  }),
]

/** Durnin and Womersley's own four: three limb and trunk folds as either school has them, and their own suprailiac. */
const DW: Landmark[] = [
  landmark('biceps', 'dw', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Front of the arm over the middle of the muscle belly.',
    posture: 'Arm resting, palm to the front.',
  }),
  landmark('triceps', 'dw', {
    direction: 'vertical',
    runs: DOWN,
    where:
      'Back of the arm on its midline, half-way between the bony tip of the shoulder and the point of the elbow.',
    posture: 'Arm hanging loose at the side.',
  }),
  landmark('subscapular', 'dw', {
    direction: 'diagonal',
    runs: 'down and out, 45°',
    where: 'Just below the lower tip of the shoulder blade.',
    posture: 'Arm down and loose.',
    finding: BLADE_FINDING,
  }),
  landmark('iliac_crest', 'dw', {
    direction: 'horizontal',
    runs: 'nearly level, a little down to the front',
    where: ILIAC_CREST,
    posture: 'Right arm out of the way.',
  }),
]

const GYM: Landmark[] = [
  landmark('lower_back', 'gym', {
    direction: 'diagonal',
    runs: 'down and out',
    where: 'Beside the spine above the hip, over the dimple, where the fold is thickest.',
    posture: 'Standing upright, back muscles loose.',
  }),
]

/** Every landmark of every school. A value belongs to site and school together. */
export const LANDMARKS: readonly Landmark[] = [...US, ...INT, ...DW, ...GYM]

/**
 * How a school lands a skinfold.
 *
 * @returns the landmark, or undefined where that school does not use the site
 */
export function landmarkOf(site: SkinfoldId, school: School): Landmark | undefined {
  return LANDMARKS.find((l) => l.site === site && l.school === school)
}

/** Two or more places that go under one name. Their values are never merged into one series. */
export interface Collision {
  name: string
  places: string[]
  why: string
}

export const COLLISIONS: readonly Collision[] = [
  {
    name: 'abdominal',
    places: [
      'US: 2 cm beside the navel, vertical',
      'INT: 5 cm beside the navel, vertical',
      '3 cm beside the navel, horizontal',
    ],
    why: 'The fold thins away from the navel: millimetres apart on the same person.',
  },
  {
    name: 'suprailiac',
    places: [
      'US: suprailiac, line down from the front of the armpit',
      'INT and Durnin-Womersley: iliac crest, line down from the middle of the armpit',
      'INT: supraspinale, further forward and lower',
      'Sloan: on the crest itself, vertical',
    ],
    why: 'Four sites within a hand’s breadth, each with equations of its own.',
  },
  {
    name: 'midaxillary',
    places: ['US: vertical fold', 'US alternative: horizontal fold'],
    why: 'The direction alone changes the reading.',
  },
  {
    name: 'thigh',
    places: ['US: standing, weight on the other leg', 'INT: seated, knee at a right angle'],
    why: 'The skin is under another tension.',
  },
  {
    name: 'chest',
    places: ['men: half-way to the nipple', 'women: a third of the way from the armpit'],
    why: 'One name, two places by sex.',
  },
  {
    name: 'thigh girth',
    places: ['below the gluteal fold', 'mid-thigh, half-way from groin to kneecap'],
    why: 'Two girths of one limb.',
  },
  {
    name: 'waist',
    places: [
      'narrowest',
      'half-way between the lowest rib and the crest',
      'at the navel',
      'at the hip crests',
    ],
    why: 'Four levels, up to several centimetres apart; every range table wants its own.',
  },
]

/** How each school takes a fold, step by step. */
export interface FoldTechnique {
  school: 'us' | 'int' | 'gym'
  name: string
  marking: string
  grip: string
  reading: string
  order: string
  repeat: string
}

export const TECHNIQUES: readonly FoldTechnique[] = [
  {
    school: 'us',
    name: 'American sports-medicine textbooks',
    marking: 'Find each landmark and mark a dot.',
    grip: 'Thumb and index finger lift skin and fat off the muscle; if unsure, the client tenses and relaxes. Jaws 1 cm below the fingers, square to the fold, half-way between its crest and its base. Keep the pinch until the jaws are off.',
    reading: 'One to two seconds after the jaws close; later the fat creeps out and it reads less.',
    order: 'All sites once, then all again, so that each fold recovers.',
    repeat: 'A third when the two differ by more than 1 to 2 mm; the mean of the pair that agrees.',
  },
  {
    school: 'int',
    name: 'International anthropometry',
    marking: 'Mark every landmark first, then measure.',
    grip: 'Thumb and index finger; jaws 1 cm from them, as deep as the fingernail is long, square to the fold.',
    reading: 'Two seconds after the jaws close.',
    order: 'A complete circuit, then again.',
    repeat:
      'A third when the two differ by more than 5 %, or by one graduation of the caliper where that is larger; mean of two, median of three.',
  },
  {
    school: 'gym',
    name: 'Common practice among trainers, no source',
    marking: 'The client’s own fixed mark: a mole, a freckle, a scar, noted down.',
    grip: 'Half an inch below the fingers; some use calipers that click.',
    reading: 'At the click, or at once.',
    order: 'A circuit twice, or two or three quick readings at one site.',
    repeat: 'A third when the two differ by more than 2 mm; the mean.',
  },
]
