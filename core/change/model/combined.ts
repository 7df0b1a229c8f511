import { probit } from 'simple-statistics'
import { type GirthId, type SkinfoldId, isGirth } from '../../anatomy/ids'
import { FOLD_OVER_GIRTH } from '../../composition/indices'
import { FAT_KCAL_PER_KG, LEAN_KCAL_PER_KG } from '../../composition/tissue-energy'
import { Z95 } from '../../measurement-error/site-error'
import type { CoursePoint, RecordQuantity } from './record'
import type { LineAt } from './tracker'

/*
 * What is made of the changes that the model gives, with its error. How fat and lean err together is in the error of body
 * mass, which is their sum.
 */

/** A change with its standard error. */
export interface ErringChange {
  change: number
  sd: number
}

/** The changes that a check-in on the way has, with their standard errors. */
export function changesAt({ line }: CoursePoint): Changes {
  return Object.fromEntries(
    Object.entries<LineAt | undefined>(line).flatMap(([quantity, at]) =>
      at
        ? [[quantity, { change: at.change, sd: (at.interval[1] - at.interval[0]) / (2 * Z95) }]]
        : [],
    ),
  )
}

/**
 * Whether one of several changes that are looked at together is beyond its error: at most one time in twenty any of them
 * is, where nothing changed.
 *
 * @param together how many there are
 */
export const isBeyond = ({ change, sd }: ErringChange, together: number) =>
  Math.abs(change) > probit(1 - ONE_SIDED / together) * sd
const ONE_SIDED = 0.025

type Changes = Partial<Record<RecordQuantity, ErringChange>>

/**
 * A weighted sum of the changes of fat and lean mass.
 *
 * @returns undefined where fat and lean are not followed
 */
function weighted({ fat, lean, mass }: Changes, ofFat: number, ofLean: number) {
  if (!fat || !lean || !mass) return undefined
  const together = (mass.sd ** 2 - fat.sd ** 2 - lean.sd ** 2) / 2
  const variance = (ofFat * fat.sd) ** 2 + (ofLean * lean.sd) ** 2 + 2 * ofFat * ofLean * together
  return {
    change: ofFat * fat.change + ofLean * lean.change,
    sd: Math.sqrt(Math.max(0, variance)),
  }
}

/** Lean less fat, kg: what was lost of fat and won of lean. */
export const netSwing = (changes: Changes) => weighted(changes, -1, 1)

/** What fat and lean hold more than then, kcal. */
export const energyChange = (changes: Changes) =>
  weighted(changes, FAT_KCAL_PER_KG, LEAN_KCAL_PER_KG)

/**
 * The change of fat % in points, from what it is now.
 *
 * @param now fat and body mass, kg
 */
export function pointsOfFat(changes: Changes, now: { fatKg: number; massKg: number }) {
  const { fat, mass } = changes
  if (!fat || !mass) return undefined
  const massThen = now.massKg - mass.change
  const shareThen = (now.fatKg - fat.change) / massThen
  // By how much it goes with a kilogram of fat, and with one of lean.
  const found = weighted(changes, (100 * (1 - shareThen)) / massThen, (-100 * shareThen) / massThen)
  return found && { change: 100 * (now.fatKg / now.massKg - shareThen), sd: found.sd }
}

/** A girth less the fold over it, as it changed, cm: muscle and bone at one place. */
export interface CorrectedChange extends ErringChange {
  girth: GirthId
  fold: SkinfoldId
}

/** Girths less the folds over them, of all that were followed by themselves; the limb is taken for a circle. */
export function correctedChanges(changes: Changes): CorrectedChange[] {
  return Object.entries(FOLD_OVER_GIRTH).flatMap(([girth, folds]) =>
    (folds as readonly SkinfoldId[]).flatMap((fold) => {
      const around = isGirth(girth) ? changes[girth] : undefined
      const over = changes[fold]
      if (!around || !over) return []
      const change = around.change - PI_CM_A_MM * over.change
      const sd = Math.hypot(around.sd, PI_CM_A_MM * over.sd)
      return [{ girth: girth as GirthId, fold, change, sd }]
    }),
  )
}
/** What a millimeter of fold takes off a girth, cm. */
const PI_CM_A_MM = Math.PI / 10
