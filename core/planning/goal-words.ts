import { nameOf } from '../anatomy/names'
import { dayValue, figures, num, say, type Message } from '../say'
import { formatLength, formatMass } from '../units/format'
import type { LengthUnit, MassUnit } from '../units/parse'
import type { Goal, GoalKind } from './goal'

/* Goals in words, for pages on the screen and on paper. */

/** Goals that speak of what a body is made of: not for a client who sees sums and girths only. */
export const GOALS_OF_LEVEL: ReadonlySet<GoalKind> = new Set<GoalKind>([
  ...(['fatPercent', 'fatMass', 'equationSum', 'gainLean', 'holdLean'] as const),
])

/** How a goal is shown. */
export interface GoalShown {
  units: { mass: MassUnit; length: LengthUnit }
  /** False for a client who sees sums and girths only. */
  shown: boolean
}

/** A goal without its day. */
export function goalSaid(
  { kind, value, girth, occasion }: Goal,
  { units, shown }: GoalShown,
): Message {
  if (!shown && GOALS_OF_LEVEL.has(kind)) return say('plan.aGoal')
  const mass = () => figures(formatMass(value!, units.mass))
  switch (kind) {
    case 'loseMass':
      return say('plan.loseMass', { mass: mass() })
    case 'mass':
      return occasion === 'weigh-in'
        ? say('plan.atMostMass', { mass: mass() })
        : say('plan.bodyWeightMass', { mass: mass() })
    case 'fatPercent':
      return say('plan.fixedFat', { fixed: num(value!, 1) })
    case 'fatMass':
      return say('plan.fatMassMass', { mass: mass() })
    case 'girth':
      return say('plan.girthLength', {
        girth: nameOf(girth!),
        length: figures(formatLength(value!, units.length)),
      })
    case 'sum':
      return say('plan.sumFoldsFixedMm', { fixed: num(value!, 1) })
    case 'equationSum':
      return say('plan.equationSSumFixedMm', { fixed: num(value!, 1) })
    case 'gainLean':
      return say('plan.gainMassLean', { mass: mass() })
    default:
      return say('plan.holdWhatThere')
  }
}

/** The day of a goal, in words that go on a sentence; undefined where it has none. */
export function goalDaySaid({ date, occasion }: Goal): Message | undefined {
  if (!date) return undefined
  const on = dayValue(date, true)
  if (occasion === 'stage') return say('plan.stage2', { on })
  return occasion === 'weigh-in' ? say('plan.atWeigh', { on }) : say('plan.byOn', { on })
}
