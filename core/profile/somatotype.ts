import { Z95 } from '../measurement-error/site-error'
import { say, type Message } from '../say'
import { needed, type Measures } from './measures'
import { measuringError } from './propagation'

/*
 * The anthropometric somatotype of Heath and Carter. Carter JEL, Heath BH. Somatotyping: development and applications,
 * Cambridge University Press, 1990; coefficients from memory (grade A).
 */

export const COMPONENTS = ['endomorphy', 'mesomorphy', 'ectomorphy'] as const
export type Component = (typeof COMPONENTS)[number]

/** How round, how muscular and how linear somebody is, each from about 0.5 to 12. */
export type Somatotype = Record<Component, number>

/** What a somatotype is made of. */
export const SOMATOTYPE_MEASURES = [
  ...(['height', 'mass', 'triceps', 'subscapular', 'supraspinale', 'medial_calf'] as const),
  ...(['upper_arm_flexed', 'calf_girth', 'humerus', 'femur'] as const),
]

/** Height of the human phantom, cm, to which folds are brought. */
const PHANTOM_HEIGHT = 170.18
/** No component is rated lower. */
const LEAST = 0.1
/** Height over the cube root of mass at which the line for ectomorphy bends, and at which it ends. */
const BEND = 40.75
const END = 38.25

/**
 * The somatotype of one person.
 *
 * @param measures folds by the international standard
 * @throws InputError naming the first measure that is missing or impossible
 */
export function somatotypeOf(measures: Measures): Somatotype {
  const m = needed(measures, SOMATOTYPE_MEASURES)
  const x = ((m.triceps + m.subscapular + m.supraspinale) * PHANTOM_HEIGHT) / m.height
  const endomorphy = -0.7182 + 0.1451 * x - 0.00068 * x ** 2 + 0.0000014 * x ** 3
  const mesomorphy =
    0.858 * m.humerus +
    0.601 * m.femur +
    0.188 * (m.upper_arm_flexed - m.triceps / 10) +
    0.161 * (m.calf_girth - m.medial_calf / 10) -
    0.131 * m.height +
    4.5
  const ratio = m.height / Math.cbrt(m.mass)
  const ectomorphy =
    ratio >= BEND ? 0.732 * ratio - 28.58 : ratio > END ? 0.463 * ratio - 17.63 : LEAST
  return {
    endomorphy: Math.max(LEAST, endomorphy),
    mesomorphy: Math.max(LEAST, mesomorphy),
    ectomorphy: Math.max(LEAST, ectomorphy),
  }
}

/** Where a somatotype stands on the chart: to the right the more linear, upwards the more muscular. */
export const chartPoint = ({ endomorphy, mesomorphy, ectomorphy }: Somatotype) => ({
  x: ectomorphy - endomorphy,
  y: 2 * mesomorphy - (endomorphy + ectomorphy),
})

/** How far two somatotypes are apart in units of their components (the attitudinal distance). */
export const somatotypeDistance = (one: Somatotype, other: Somatotype): number =>
  Math.hypot(...COMPONENTS.map((component) => one[component] - other[component]))

/** How far two points of the chart are apart, in units of its height (the dispersion distance). */
export function chartDistance(one: Somatotype, other: Somatotype): number {
  const [a, b] = [chartPoint(one), chartPoint(other)]
  return Math.sqrt(3 * (a.x - b.x) ** 2 + (a.y - b.y) ** 2)
}

/** A somatotype with what the measuring leaves open of it, each one standard error. */
export interface MeasuredSomatotype {
  is: Somatotype
  errors: Somatotype
  /** Of its place on the chart. */
  point: { x: number; y: number }
  pointErrors: { x: number; y: number }
}

/** @param errors standard errors of the measures in their units @throws InputError as `somatotypeOf` does */
export function measuredSomatotype(measures: Measures, errors: Measures): MeasuredSomatotype {
  const is = somatotypeOf(measures)
  const errorOf = (figure: (type: Somatotype) => number) =>
    measuringError((varied) => figure(somatotypeOf(varied)), measures, errors)
  return {
    is,
    errors: {
      endomorphy: errorOf(({ endomorphy }) => endomorphy),
      mesomorphy: errorOf(({ mesomorphy }) => mesomorphy),
      ectomorphy: errorOf(({ ectomorphy }) => ectomorphy),
    },
    point: chartPoint(is),
    pointErrors: {
      x: errorOf((type) => chartPoint(type).x),
      y: errorOf((type) => chartPoint(type).y),
    },
  }
}

/** How a somatotype has moved from one day to another. */
export interface SomatotypeMove {
  by: Somatotype
  /** One standard error of each. */
  errors: Somatotype
  /** Components that moved by more than the measuring explains, 19 times in 20. */
  clear: Component[]
  distance: number
}

/** From the first to the second; errors of the two days are independent. */
export function somatotypeMove(from: MeasuredSomatotype, to: MeasuredSomatotype): SomatotypeMove {
  const each = (value: (component: Component) => number) =>
    Object.fromEntries(COMPONENTS.map((one) => [one, value(one)])) as Somatotype
  const by = each((one) => to.is[one] - from.is[one])
  const errors = each((one) => Math.hypot(from.errors[one], to.errors[one]))
  return {
    ...{ by, errors, distance: somatotypeDistance(from.is, to.is) },
    clear: COMPONENTS.filter((one) => Math.abs(by[one]) > Z95 * errors[one]),
  }
}

/** Two components closer than this count as equal, and all three closer than one unit as central. */
const EQUAL = 0.5
const CENTRAL = 1

const BALANCED: Record<Component, Message> = {
  endomorphy: say('profile.balancedEndomorph'),
  mesomorphy: say('profile.balancedMesomorph'),
  ectomorphy: say('profile.balancedEctomorph'),
}
/** By the component that leads and the one that follows. */
const LED: Record<string, Message> = {
  'endomorphy mesomorphy': say('profile.mesomorphicEndomorph'),
  'endomorphy ectomorphy': say('profile.ectomorphicEndomorph'),
  'mesomorphy endomorphy': say('profile.endomorphicMesomorph'),
  'mesomorphy ectomorphy': say('profile.ectomorphicMesomorph'),
  'ectomorphy endomorphy': say('profile.endomorphicEctomorph'),
  'ectomorphy mesomorphy': say('profile.mesomorphicEctomorph'),
}
/** By the two that are equal, in the order of the components. */
const PAIRED: Record<string, Message> = {
  'endomorphy mesomorphy': say('profile.mesomorphEndomorph'),
  'endomorphy ectomorphy': say('profile.endomorphEctomorph'),
  'mesomorphy ectomorphy': say('profile.mesomorphEctomorph'),
}

/** The name of a somatotype: one of the thirteen of Carter and Heath. */
export function somatotypeName(type: Somatotype): Message {
  const [first, second, third] = [...COMPONENTS].sort((a, b) => type[b] - type[a]) as [
    Component,
    Component,
    Component,
  ]
  if (type[first] - type[third] <= CENTRAL) return say('profile.central')
  if (type[first] - type[second] <= EQUAL) {
    return PAIRED[COMPONENTS.filter((one) => one === first || one === second).join(' ')]!
  }
  if (type[second] - type[third] <= EQUAL) return BALANCED[first]
  return LED[`${first} ${second}`]!
}
