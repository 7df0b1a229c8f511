import { type Message, say } from '../say'
import { type SkinfoldId, isSkinfold } from '../anatomy/ids'
import { type Location, isSamePlace } from '../anatomy/landmark-standards'
import { namesOf } from '../anatomy/names'
import type { Sheet } from './check-in'

/** A fold, the landmark standard that it was located by, and the way it was taken. */
export type LocatedFold = Location & { site: SkinfoldId }

/** A sum of folds, and the folds that it is of. */
export interface FoldSum {
  folds: SkinfoldId[]
  mm: number
}

/** Fewer than this are no sum. */
const LEAST_FOLDS = 2

type Located = Pick<Sheet, 'measured'>

/** The folds of a check-in that were taken, with their values in mm. */
export function foldsTaken({ measured }: Located): (LocatedFold & { value: number })[] {
  return measured.flatMap(({ site, ...rest }) => (isSkinfold(site) ? [{ site, ...rest }] : []))
}

const isIn = (folds: readonly LocatedFold[]) => (fold: LocatedFold) =>
  folds.some((other) => isSamePlace(other, fold))

/**
 * The sum of a check-in's own folds, whatever the equation adds up.
 *
 * @param of these folds only; every fold of the set that was taken where not said
 * @returns mm; undefined where one of them was not taken, or where they are fewer than two
 */
export function foldSumOf(sheet: Located, of?: readonly LocatedFold[]): FoldSum | undefined {
  const taken = foldsTaken(sheet)
  const folds = of ? taken.filter(isIn(of)) : taken
  if (folds.length < Math.max(LEAST_FOLDS, of?.length ?? 0)) return undefined
  return {
    folds: folds.map(({ site }) => site),
    mm: folds.reduce((total, { value }) => total + value, 0),
  }
}

/** The folds that a series of check-ins is followed by. */
export interface FollowedFolds {
  folds: LocatedFold[]
  /** True where every check-in that has them took just these: the sum is the whole one. */
  whole: boolean
}

/**
 * The folds whose sum is followed over check-ins of different sets: those of the newest that every other one has too,
 * by one landmark standard. A check-in that would leave fewer than two of them does not narrow them; it has no sum in the
 * series.
 *
 * @param sheets oldest first
 * @returns undefined where the newest has fewer than two folds
 */
export function followedFolds(sheets: readonly Located[]): FollowedFolds | undefined {
  const newest = sheets.at(-1)
  if (!newest) return undefined
  let folds: LocatedFold[] = foldsTaken(newest).map(({ value: _, ...fold }) => fold)
  if (folds.length < LEAST_FOLDS) return undefined
  // From the newest backwards: where two sets meet it in different folds, the later one counts.
  for (const sheet of [...sheets].reverse()) {
    const left = folds.filter(isIn(foldsTaken(sheet)))
    if (left.length >= LEAST_FOLDS) folds = left
  }
  const whole = sheets.every(
    (sheet) => !foldSumOf(sheet, folds) || foldsTaken(sheet).length === folds.length,
  )
  return { folds, whole }
}

/**
 * What a sum is called: by its number where it is the whole of what was taken, by its folds where it is a part.
 *
 * @param whole false for the folds that check-ins with different sets have in common
 */
export function foldSumName(folds: readonly SkinfoldId[], whole: boolean): Message {
  return whole
    ? say('methods.sumFolds', { folds: folds.length })
    : say('methods.sumSharedFolds', { folds: folds.length, folds2: namesOf(folds) })
}

/** What an equation's own sum is called, beside the whole one. */
export const equationSumName = (folds: number) => say('methods.equationsSumFolds', { folds })

/** Half a kilogram of fat is about 4 mm on the sum of seven folds, and as much less on fewer. Judgement, no source. */
const MM_PER_KG_AND_FOLD = 8 / 7

/** What a kilogram of fat is on a sum of so many folds, mm. */
export const sumPerKgOfFat = (folds: number) => MM_PER_KG_AND_FOLD * folds
