import type { Measured } from '../change/measured'
import type { ErringChange } from '../change/model/combined'
import { type GymFigures, figuresWith } from '../change/model/figures'
import { type Person, sheetOf } from '../composition/check-in'

/**
 * How body mass changed between two check-ins, kg: each by the days that its mass is the mean of. Unlike fat and lean it
 * needs no folds, and may be shown to everybody.
 *
 * @param own what the gym's own records say of how far a day's mass is off
 * @returns undefined where either has no mass
 */
export function bodyMassChange(
  person: Person,
  [then, now]: readonly [Measured, Measured],
  own?: GymFigures | null,
): ErringChange | undefined {
  const { massKg: sdKg } = figuresWith(own)
  const [before, after] = [then, now].map((checkIn) => sheetOf(person, checkIn).subject.massKg)
  if (before === undefined || after === undefined) return undefined
  const variances = [then, now].map(({ weekMass }) => sdKg ** 2 / (weekMass?.days ?? 1))
  return { change: after - before, sd: Math.sqrt(variances[0]! + variances[1]!) }
}
