import { type Message, say, num, type Value } from '../say'
import { InputError, inputError } from '../errors'
import { STATIC_KCAL_PER_KG } from './energy'
import { type StartingPoint, fatPercentOfStart, massOfStart } from './goal'
import { KG_PER_POUND } from '../units/constants'

export const PACE_UNITS = ['percentMass', 'kg', 'lb', 'fatPoints'] as const
export type PaceUnit = (typeof PACE_UNITS)[number]

/** How fast, a week. A loss is given as a positive number. */
export interface Pace {
  unit: PaceUnit
  value: number
}

const DAYS = 7

type Body = Pick<StartingPoint, 'fatKg' | 'leanKg'>

/**
 * A pace as kg of body mass a week, at this body. Points of fat % become mass as if all of it were fat: a share s of
 * body mass lost as fat lowers fat % by s (1 - fat share).
 */
export function kgAWeek({ unit, value }: Pace, body: Body): number {
  const mass = massOfStart(body)
  switch (unit) {
    case 'percentMass':
      return (mass * value) / 100
    case 'lb':
      return value * KG_PER_POUND
    case 'fatPoints':
      return (mass * value) / 100 / (1 - fatPercentOfStart(body) / 100)
    default:
      return value
  }
}

/** As `kgAWeek`, back into the unit. */
export function paceIn(kg: number, unit: PaceUnit, body: Body): number {
  return kg / kgAWeek({ unit, value: 1 }, body)
}

/** A band of paces in kg of body mass a week. */
export interface PaceBand {
  slow: number
  fast: number
  /** Which of the bands ends it, in words. */
  bound: Message
}

const LOSS_BANDS: { name: Message; slow: Pace; fast: Pace }[] = [
  {
    name: say('planning.n1BodyMassWeek'),
    slow: { unit: 'percentMass', value: 0.5 },
    fast: { unit: 'percentMass', value: 1 },
  },
  {
    name: say('planning.n2LbWeek'),
    slow: { unit: 'lb', value: 0 },
    fast: { unit: 'lb', value: 2 },
  },
  {
    name: say('planning.n1PointFatWeek'),
    slow: { unit: 'fatPoints', value: 0.5 },
    fast: { unit: 'fatPoints', value: 1 },
  },
]

/**
 * The coaching band of loss at this body: 0.5 to 1 % of mass a week, at most 2 lb, 0.5 to 1 point of fat %; the
 * strictest end binds. Common practice, no source.
 */
export function lossBand(body: Body): PaceBand {
  const ends = LOSS_BANDS.map(({ name, slow, fast }) => ({
    name,
    slow: kgAWeek(slow, body),
    fast: kgAWeek(fast, body),
  }))
  const strictest = ends.reduce((a, b) => (b.fast < a.fast ? b : a))
  const slow = Math.min(strictest.fast, ...ends.filter((e) => e.slow > 0).map((e) => e.slow))
  return { slow, fast: strictest.fast, bound: strictest.name }
}

/** The coaching band of gain: 0.25 to 0.5 % of body mass a week. Common practice, no source. */
export function gainBand(body: Body): PaceBand {
  const mass = massOfStart(body)
  return { slow: 0.0025 * mass, fast: 0.005 * mass, bound: say('planning.n05BodyMassWeek') }
}

/** A pace in everything that it is counted in. */
export interface PaceInUnits {
  kgAWeek: number
  percentAWeek: number
  gramsADay: number
  kcalADay: number
}

/** What a pace means, by the static rule of energy. */
export function paceMeans(kg: number, body: Body): PaceInUnits {
  return {
    kgAWeek: kg,
    percentAWeek: (100 * kg) / massOfStart(body),
    gramsADay: (1000 * kg) / DAYS,
    kcalADay: (kg * STATIC_KCAL_PER_KG) / DAYS,
  }
}

/** A pace with its unit. */
function paceSaid(value: Value, unit: PaceUnit): Message {
  switch (unit) {
    case 'percentMass':
      return say('planning.percentOfMass', { value })
    case 'fatPoints':
      return say('planning.pointsFat', { value })
    default:
      return say('planning.massAWeek', { value, unit })
  }
}

/**
 * Holds a pace against the band.
 *
 * @throws InputError naming `pace` when it is no pace, or faster than the band
 */
export function checkedPace(pace: Pace, body: Body, direction: 'loss' | 'gain'): number {
  const kg = kgAWeek(pace, body)
  const band = direction === 'loss' ? lossBand(body) : gainBand(body)
  const most = num(paceIn(band.fast, pace.unit, body), 2)
  const accepted = say('planning.above0Up', { most, bound: band.bound })
  if (!Number.isFinite(kg))
    throw inputError('pace', 'missing', say('planning.pace'), undefined, accepted)
  if (!(kg > 0)) throw inputError('pace', 'impossible', say('planning.pace'), pace.value, accepted)
  if (kg > band.fast * (1 + 1e-9)) {
    throw new InputError(
      'pace',
      'outside-domain',
      say('planning.tooFast', {
        got: paceSaid(Number(pace.value.toPrecision(12)), pace.unit),
        most: paceSaid(most, pace.unit),
        bound: band.bound,
      }),
      pace.value,
      accepted,
    )
  }
  return kg
}
