import { isGirth } from '../../anatomy/ids'
import type { IsoDate } from '../../units/dates'
import type { Horizon } from './ensemble'
import { MATTERS, STILL_ODDS } from './figures'
import type { Look, RecordQuantity } from './record'
import { type JudgedChange, wayOf } from './verdict'

/** What heads a record, in the order in which it is looked for. */
export const HEADLINE_RULES = [
  'too-fast',
  'losing-lean',
  'phase-clear',
  'first-clear',
  'off-the-line',
  'probably',
  'no-change',
  'not-yet',
] as const
export type HeadlineRule = (typeof HEADLINE_RULES)[number]

/** A change as a headline names it. */
export interface NamedChange extends JudgedChange {
  quantity: RecordQuantity
}

/** What heads a record, as data; the words are made of it elsewhere. */
export interface Headline {
  rule: HeadlineRule
  /** Over which horizon, and since when. */
  horizon: Horizon
  since: IsoDate | undefined
  weeks: number
  /** What it is about, the weightiest first: fat before lean, and the sum or the mass where neither is followed. */
  changes: NamedChange[]
  /** Loss of body mass, % a week; with `too-fast`. */
  percentAWeek?: number
  /** From when it should be clear; with `not-yet` and `probably`. */
  readableFrom?: IsoDate
}

/** What a plan says to a headline. */
export interface HeadlinePlan {
  /** The fastest loss that it allows, % of body mass a week. */
  ceilingPercent?: number
  /** Fat and lean, kg a week. */
  pace?: readonly number[]
  /** Usual days between check-ins. */
  spacingDays?: number
}

/** Loss of body mass beyond this is too fast, % a week. */
const FASTEST_LOSS_PERCENT = 1
/** One-sided 80 % of a normal distribution. */
const Z80 = 0.8416
/** Share of a loss from which it is lean that is being lost. */
const LEAN_SHARE = 0.3
/** Two-sided 99 %. */
const OFF_LINE_AT = 2.58

const PERCENT = 100

/** What a headline speaks of: fat and lean; where they are not followed the sum of folds, else the first girth. */
export function spokenOf(look: Look, horizon: Horizon): NamedChange[] {
  const changes = look.horizons[horizon]?.changes ?? {}
  const girth = Object.keys(changes).find(isGirth)
  const names: RecordQuantity[] = changes.fat
    ? ['fat', 'lean']
    : [changes.sum || !girth ? 'sum' : girth]
  return names.flatMap((quantity) => {
    const change = changes[quantity]
    return change ? [{ quantity, ...change }] : []
  })
}

function tooFast(look: Look, { ceilingPercent = FASTEST_LOSS_PERCENT }: HeadlinePlan) {
  const phase = look.horizons.phase
  const mass = phase?.changes.mass
  const { massAtPhaseKg } = look
  if (!phase || !mass || massAtPhaseKg === undefined || phase.weeks <= 0) return undefined
  const ceiling = Math.min(FASTEST_LOSS_PERCENT, ceilingPercent)
  const limit = (-ceiling / PERCENT) * massAtPhaseKg * phase.weeks
  if (mass.change + Z80 * mass.sd >= limit) return undefined
  return {
    change: { quantity: 'mass' as const, ...mass },
    percentAWeek: (-PERCENT * mass.change) / massAtPhaseKg / phase.weeks,
  }
}

/** Lean clearly down, and more of the loss than is usual. */
export function losesLean(look: Look, horizon: Horizon): boolean {
  const { fat, lean } = look.horizons[horizon]?.changes ?? {}
  if (!fat || !lean || wayOf(lean) !== -1) return false
  const lost = -(Math.min(0, fat.change) + lean.change)
  return -lean.change > LEAN_SHARE * lost
}

/** What heads a look at a record: the first rule that holds. The last one always does. */
export function headlineOf(look: Look, plan: HeadlinePlan = {}): Headline {
  const of = (rule: HeadlineRule, horizon: Horizon, changes: NamedChange[]): Headline => ({
    ...{ rule, horizon, changes },
    since: look.horizons[horizon]?.since,
    weeks: look.horizons[horizon]?.weeks ?? 0,
  })
  const fast = tooFast(look, plan)
  if (fast) {
    return { ...of('too-fast', 'phase', [fast.change]), percentAWeek: fast.percentAWeek }
  }
  const losing = (['phase', 'first'] as const).find((horizon) => losesLean(look, horizon))
  if (losing) return of('losing-lean', losing, spokenOf(look, losing))
  const phase = spokenOf(look, 'phase')
  const first = spokenOf(look, 'first')
  if (phase.some((change) => wayOf(change) !== 0)) return of('phase-clear', 'phase', phase)
  if (first.some((change) => wayOf(change) !== 0)) return of('first-clear', 'first', first)
  if (look.offLine.some(({ deviations }) => Math.abs(deviations) > OFF_LINE_AT)) {
    return of('off-the-line', 'last', spokenOf(look, 'last'))
  }
  const rest = restOf(look)
  return {
    ...of(rest, 'phase', phase),
    ...(rest === 'no-change'
      ? {}
      : { readableFrom: look.readableFrom(plan.spacingDays, plan.pace) }),
  }
}

/**
 * A mass that stands still more likely than not, and is within a little more than what matters: one weighing says so much
 * less than seven folds that few people would ever be told of standing still, else. Judgement, by the simulation.
 */
const hardlyMoved = (mass: JudgedChange | undefined) =>
  mass !== undefined &&
  (mass.odds ?? 1) <= STILL_ODDS &&
  Math.max(...mass.interval.map(Math.abs)) <= MASS_SLACK * MATTERS.mass
const MASS_SLACK = 1.15

/** What is left to be said where nothing is clear. */
function restOf(look: Look): HeadlineRule {
  const { fat, lean, mass } = look.horizons.phase?.changes ?? {}
  const spoken = spokenOf(look, 'phase')
  if (spoken.some(({ verdict }) => verdict === 'likely')) return 'probably'
  // Lean is what is left of the mass when fat is taken away: where fat and mass stand still, it cannot have moved far.
  const still = (change: JudgedChange | undefined) => change?.verdict === 'no-change'
  const nothing = fat ? still(fat) && (still(lean) || hardlyMoved(mass)) : still(spoken[0])
  return nothing ? 'no-change' : 'not-yet'
}
