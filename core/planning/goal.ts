import { type Message, say } from '../say'
import { bisect } from 'simple-statistics'
import type { GirthId, Sex } from '../anatomy/ids'
import { type FoldSum, sumPerKgOfFat } from '../composition/fold-sum'
import { inputError } from '../errors'
import { attempt } from '../outcome'
import type { IsoDate } from '../units/dates'

/** `sum` is of all folds of the set, `equationSum` of those that its equation adds up. */
export const GOAL_KINDS = [
  'loseMass',
  'mass',
  'fatPercent',
  'fatMass',
  'girth',
  'sum',
  'equationSum',
  'gainLean',
  'holdLean',
] as const
export type GoalKind = (typeof GOAL_KINDS)[number]

/** What happens on the day of a goal: on stage, or on the scale of a weight class. */
export const GOAL_OCCASIONS = ['stage', 'weigh-in'] as const
export type GoalOccasion = (typeof GOAL_OCCASIONS)[number]

/** What a client wants, with or without a date. */
export interface Goal {
  kind: GoalKind
  /** kg, %, cm or mm; how much goes or comes for losing mass and gaining lean, none for holding lean. */
  value?: number
  girth?: GirthId
  date?: IsoDate
  occasion?: GoalOccasion
}

/** Where a plan begins: the estimate of one check-in. */
export interface StartingPoint {
  sex: Sex
  /** Where it is known: without it a plan is drawn, and what counts age says so. */
  ageYears?: number
  /** The least it may be, where only the year of birth is known. */
  leastAgeYears?: number
  heightCm?: number
  fatKg: number
  leanKg: number
  /** Standard error of the estimate, points of fat %; null where its source states none. */
  standardError: number | null
  /** Every fold of the set, and the part of them that the equation adds up. */
  sum?: FoldSum
  equationSum?: FoldSum
  /** What a kilogram of fat is on those sums by the equation in force, mm; a rule of thumb where it is not known. */
  mmPerKg?: { sum?: number; equationSum?: number }
  girthsCm?: Partial<Record<GirthId, number>>
}

type Body = Pick<StartingPoint, 'fatKg' | 'leanKg'>

export const massOfStart = ({ fatKg, leanKg }: Body) => fatKg + leanKg
export const fatPercentOfStart = (start: Body) => (100 * start.fatKg) / massOfStart(start)

/** Fat mass constant of Forbes, kg. Forbes GB, Nutr Rev 1987;45:225-231 (from memory). */
export const FORBES_KG = 10.4

/**
 * Lean mass after fat went from one mass to another, by the Forbes relation: L1 = L0 + 10.4 ln(F1 / F0). It comes from
 * women at rest and over-predicts the loss of lean people who train.
 *
 * @param fatKg the new fat mass, above zero
 */
export function leanAtFat({ fatKg, leanKg }: { fatKg: number; leanKg: number }, newFatKg: number) {
  return leanKg + FORBES_KG * Math.log(newFatKg / fatKg)
}

/** A body to arrive at. */
export interface Target {
  massKg: number
  fatKg: number
  leanKg: number
}

/** The two ends of where a goal may lead. */
export interface Targets {
  /** Lean held, or fat where lean is what is wanted: the target. */
  aim: Target
  /** With the lean loss, or the fat gain, that goes with it by the Forbes relation. */
  withForbes: Target
}

/** A kilogram of fat on a waist, cm. Judgement, no source. */
const GIRTH_CM_A_KG = 1

const target = (fatKg: number, leanKg: number): Target => ({
  fatKg,
  leanKg,
  massKg: fatKg + leanKg,
})

const MOST_FAT_KG = 300
const PRECISION = 1e-9
/** A body by the relation keeps at least so much lean, kg. */
const LEAST_LEAN_KG = 1.05 * FORBES_KG

/**
 * The fat mass at which a quantity that rises with it has the wanted value, from the present one towards it. Fat % rises
 * with fat only while lean is above Forbes' constant: farther down the relation means nothing.
 */
function fatWhere(of: (fatKg: number) => number, { fatKg, leanKg }: StartingPoint): number {
  const least = fatKg * Math.exp((LEAST_LEAN_KG - leanKg) / FORBES_KG)
  const [low, high] = of(fatKg) > 0 ? [least, fatKg] : [fatKg, MOST_FAT_KG]
  if (of(low) >= 0) return low
  return of(high) <= 0 ? high : bisect(of, low, high, 200, PRECISION)
}

/** The fat mass that a goal asks for, with lean held. */
function wantedFat({ kind, value, girth }: Goal, start: StartingPoint): number {
  const { fatKg, leanKg, girthsCm } = start
  const now = girth && girthsCm?.[girth]
  switch (kind) {
    case 'fatPercent':
      return (leanKg * value!) / (100 - value!)
    case 'fatMass':
      return value!
    case 'mass':
      return value! - leanKg
    case 'loseMass':
      return fatKg - value!
    case 'sum':
    case 'equationSum': {
      const sum = start[kind]
      if (!sum) return fatKg
      return fatKg + (value! - sum.mm) / (start.mmPerKg?.[kind] ?? sumPerKgOfFat(sum.folds.length))
    }
    case 'girth':
      return now === undefined ? fatKg : fatKg + (value! - now) / GIRTH_CM_A_KG
    default:
      return fatKg
  }
}

const LABELS: Record<GoalKind, [label: Message, accepted: Message, low: number, high: number]> = {
  loseMass: [say('planning.massLose'), say('planning.above0Up200Kg'), 0.05, 200],
  fatPercent: [say('planning.goalFat'), say('planning.n260'), 2, 60],
  fatMass: [say('planning.goalFatMass'), say('planning.above0Up200Kg'), 0, 200],
  mass: [say('planning.goalBodyMass'), say('planning.n25350Kg'), 25, 350],
  sum: [say('planning.goalSumFolds'), say('planning.n5600Mm'), 5, 600],
  equationSum: [say('planning.goalSumEquationsFolds'), say('planning.n5600Mm'), 5, 600],
  girth: [say('planning.goalGirth'), say('planning.n10240Cm'), 10, 240],
  gainLean: [say('planning.leanMassGain'), say('planning.above0Up30Kg'), 0.05, 30],
  holdLean: [say('planning.goal'), say('planning.nothing'), 0, 0],
}

function checked(goal: Goal) {
  if (goal.kind === 'holdLean') return
  const [label, accepted, low, high] = LABELS[goal.kind]
  const { value } = goal
  if (value === undefined) {
    throw inputError('goal', 'missing', label, undefined, accepted)
  }
  if (!(value >= low && value <= high))
    throw inputError('goal', 'impossible', label, value, accepted)
  if (goal.kind === 'girth' && !goal.girth) {
    throw inputError(
      'girth',
      'missing',
      say('planning.goalWhichGirth'),
      undefined,
      say('planning.oneGirthsTaken'),
    )
  }
  if (goal.occasion && !goal.date) {
    const day = goal.occasion === 'stage' ? say('planning.dayStage') : say('planning.dayWeigh')
    throw inputError('date', 'missing', day, undefined, say('planning.aDate'))
  }
}

/**
 * What a goal asks of one quantity: the line across its curve.
 *
 * @returns %, kg, mm or cm; undefined where the goal says nothing of it, or is refused
 */
export function goalOf(
  quantity: 'fatPercent' | 'fatMass' | 'leanMass' | 'mass' | 'sum' | 'equationSum' | GirthId,
  goal: Goal,
  start: StartingPoint,
): number | undefined {
  const { kind, value, girth } = goal
  if (kind === 'sum' || kind === 'equationSum' || kind === 'girth') {
    return quantity === (kind === 'girth' ? girth : kind) ? value : undefined
  }
  if (kind === 'holdLean') return undefined
  const found = attempt(() => targetsOf(goal, start).aim)
  if (!found.ok) return undefined
  const { fatKg, massKg, leanKg } = found.value
  switch (quantity) {
    case 'leanMass':
      return kind === 'gainLean' ? leanKg : undefined
    case 'fatMass':
      return fatKg
    case 'mass':
      return massKg
    case 'fatPercent':
      return (100 * fatKg) / massKg
    default:
      return undefined
  }
}

/**
 * The bodies that a goal leads to: with lean held, which is the target, and with the lean change that the Forbes relation
 * expects, which is the other end of what may come. Who wants lean has the fat held, or what comes along by the relation. Whether one may go there is for the table of safety rules.
 *
 * @throws InputError naming `goal`: a value that is none, or one that leaves no fat
 */
export function targetsOf(goal: Goal, start: StartingPoint): Targets {
  checked(goal)
  const { leanKg } = start
  if (goal.kind === 'gainLean') {
    const more = leanKg + goal.value!
    return {
      aim: target(start.fatKg, more),
      withForbes: target(start.fatKg * Math.exp(goal.value! / FORBES_KG), more),
    }
  }
  const fat = wantedFat(goal, start)
  if (!(fat > 0)) {
    throw inputError(
      'goal',
      'outside-domain',
      LABELS[goal.kind][0],
      say('planning.whichLeavesFatAll', { goal: goal.value }),
      say('planning.goalLeavesSome'),
    )
  }
  const aim = target(fat, leanKg)
  const lean = (f: number) => leanAtFat(start, f)
  let forbes = fat
  if (goal.kind === 'mass' || goal.kind === 'loseMass') {
    forbes = fatWhere((f) => f + lean(f) - (fat + leanKg), start)
  } else if (goal.kind === 'fatPercent') {
    forbes = fatWhere((f) => f / (f + lean(f)) - goal.value! / 100, start)
  }
  return { aim, withForbes: target(forbes, lean(forbes)) }
}

/**
 * A goal seen from another body than it was set for: of mass to lose or lean to gain only what is left, and the body mass
 * itself where nothing is.
 */
export function leftOf(goal: Goal, was: Body, now: Body): Goal {
  const { kind, value } = goal
  if (value === undefined || (kind !== 'loseMass' && kind !== 'gainLean')) return goal
  const done = kind === 'loseMass' ? massOfStart(was) - massOfStart(now) : now.leanKg - was.leanKg
  const left = value - done
  const [, , least] = LABELS[kind]
  if (left >= least) return { ...goal, value: left }
  return { ...goal, kind: 'mass', value: massOfStart(was) + (kind === 'loseMass' ? -value : value) }
}

/** What a goal's own girth or sum is at the start, cm or mm; undefined for other goals. */
export function goalStartOf({ kind, girth }: Goal, start: StartingPoint): number | undefined {
  if (kind === 'girth') return girth && start.girthsCm?.[girth]
  return kind === 'sum' || kind === 'equationSum' ? start[kind]?.mm : undefined
}
