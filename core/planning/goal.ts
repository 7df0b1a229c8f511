import { bisect } from 'simple-statistics'
import type { GirthId, Sex } from '../anatomy/ids'
import { type FoldSum, sumPerKgOfFat } from '../composition/fold-sum'
import { inputError } from '../errors'
import { attempt } from '../outcome'
import type { IsoDate } from '../units/dates'

/** `sum` is of all folds of the set, `equationSum` of those that its equation adds up. */
export const GOAL_KINDS = [
  'fatPercent',
  'fatMass',
  'mass',
  'sum',
  'equationSum',
  'girth',
  'holdLean',
] as const
export type GoalKind = (typeof GOAL_KINDS)[number]

/** What a client wants, with or without a date. */
export interface Goal {
  kind: GoalKind
  /** %, kg, kg, mm or cm; none for holding lean. */
  value?: number
  girth?: GirthId
  date?: IsoDate
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
  girthsCm?: Partial<Record<GirthId, number>>
}

export const massOfStart = ({ fatKg, leanKg }: Pick<StartingPoint, 'fatKg' | 'leanKg'>) =>
  fatKg + leanKg
export const fatPercentOfStart = (start: Pick<StartingPoint, 'fatKg' | 'leanKg'>) =>
  (100 * start.fatKg) / massOfStart(start)

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

export interface Targets {
  /** Lean held: lean / (1 - goal). */
  constantLean: Target
  /** With the lean loss or gain that goes with it by the Forbes relation. */
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
    case 'sum':
    case 'equationSum': {
      const sum = start[kind]
      return sum ? fatKg + (value! - sum.mm) / sumPerKgOfFat(sum.folds.length) : fatKg
    }
    case 'girth':
      return now === undefined ? fatKg : fatKg + (value! - now) / GIRTH_CM_A_KG
    default:
      return fatKg
  }
}

const LABELS: Record<GoalKind, [label: string, accepted: string, low: number, high: number]> = {
  fatPercent: ['Goal, fat %', 'a number of per cent', 0, 60],
  fatMass: ['Goal, fat mass', 'a number of kg', 0, 200],
  mass: ['Goal, body mass', 'a body mass from 25 to 350 kg', 25, 350],
  sum: ['Goal, sum of folds', 'a number of mm', 5, 600],
  equationSum: ['Goal, sum of the equation’s folds', 'a number of mm', 5, 600],
  girth: ['Goal, girth', 'a number of cm', 10, 240],
  holdLean: ['Goal', 'nothing', 0, 0],
}

function checked(goal: Goal) {
  if (goal.kind === 'holdLean') return
  const [label, accepted, low, high] = LABELS[goal.kind]
  const { value } = goal
  if (value === undefined) throw inputError('goal', 'missing', label, undefined, accepted)
  if (!(value >= low && value <= high))
    throw inputError('goal', 'impossible', label, value, accepted)
  if (goal.kind === 'girth' && !goal.girth) {
    throw inputError('girth', 'missing', 'Goal, which girth', undefined, 'one of the girths taken')
  }
}

/**
 * What a goal asks of one quantity: the line across its curve.
 *
 * @returns %, kg, mm or cm; undefined where the goal says nothing of it, or is refused
 */
export function goalOf(
  quantity: 'fatPercent' | 'fatMass' | 'mass' | 'sum' | 'equationSum' | GirthId,
  goal: Goal,
  start: StartingPoint,
): number | undefined {
  const { kind, value, girth } = goal
  if (kind === 'sum' || kind === 'equationSum' || kind === 'girth') {
    return quantity === (kind === 'girth' ? girth : kind) ? value : undefined
  }
  if (kind === 'holdLean') return undefined
  const found = attempt(() => targetsOf(goal, start).constantLean)
  if (!found.ok) return undefined
  const { fatKg, massKg } = found.value
  switch (quantity) {
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
 * expects, which is the other end of what may come. Whether one may go there is for the table of safety rules.
 *
 * @throws InputError naming `goal`: a value that is none, or one that leaves no fat
 */
export function targetsOf(goal: Goal, start: StartingPoint): Targets {
  checked(goal)
  const fat = wantedFat(goal, start)
  const { leanKg } = start
  if (!(fat > 0)) {
    throw inputError(
      'goal',
      'outside-domain',
      LABELS[goal.kind][0],
      `${goal.value}, which leaves no fat at all`,
      'a goal that leaves some',
    )
  }
  const constantLean = target(fat, leanKg)
  const lean = (f: number) => leanAtFat(start, f)
  let forbes = fat
  if (goal.kind === 'mass') forbes = fatWhere((f) => f + lean(f) - goal.value!, start)
  else if (goal.kind === 'fatPercent') {
    forbes = fatWhere((f) => f / (f + lean(f)) - goal.value! / 100, start)
  }
  return { constantLean, withForbes: target(forbes, lean(forbes)) }
}
