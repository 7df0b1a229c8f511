import type { KnownGirth } from '../anatomy/ids'
import { limitsOf } from '../anatomy/limits'
import { CM_PER_INCH, KG_PER_POUND } from '../units/constants'
import { MASS_LIMITS } from '../units/limits'
import type { TypedUnit } from '../units/parse'
import type { Token } from './message-tokens'

/** Of one another, that two readings of one girth may be apart. */
export const APART = 0.04

export type NumberToken = Extract<Token, { kind: 'number' }>
export type DayToken = Extract<Token, { kind: 'day' }>
export type GirthToken = Extract<Token, { kind: 'girth' }>

export const isMassUnit = (unit?: TypedUnit) => unit === 'kg' || unit === 'lb' || unit === 'st lb'
export const isLengthUnit = (unit?: TypedUnit) => unit === 'cm' || unit === 'in' || unit === 'mm'

export const kgOf = (value: number, unit: TypedUnit) =>
  unit === 'kg' ? value : value * KG_PER_POUND
const CM: Partial<Record<TypedUnit, number>> = { in: CM_PER_INCH, mm: 0.1 }
export const cmOf = (value: number, unit: TypedUnit) => value * (CM[unit] ?? 1)

const isMass = (kg: number) => kg >= MASS_LIMITS.hardLow && kg <= MASS_LIMITS.hardHigh
export const isUsualMass = (kg: number) =>
  kg >= MASS_LIMITS.softLow && kg <= MASS_LIMITS.softHighMale

/** Whether a number can be a body mass in some unit. */
export const canBeMass = ({ value, unit }: NumberToken) =>
  isMassUnit(unit)
    ? isMass(kgOf(value, unit!))
    : unit === undefined && (isMass(value) || isMass(value * KG_PER_POUND))

/** Whether a number can be that girth, and in which units. */
export function unitsOfGirth(
  { value, unit, fraction }: NumberToken,
  girth: KnownGirth,
): TypedUnit[] {
  if (isMassUnit(unit)) return []
  const { hardLow, hardHigh } = limitsOf(girth)
  const units: TypedUnit[] = unit ? [unit] : fraction ? ['in'] : ['cm', 'in']
  return units.filter((as) => cmOf(value, as) >= hardLow && cmOf(value, as) <= hardHigh)
}
