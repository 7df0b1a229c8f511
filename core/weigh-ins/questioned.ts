import { massesFrom } from '../data-quality/expected-mass'
import type { Finding } from '../data-quality/finding'
import { findMassError } from '../data-quality/mass-height'
import type { IsoDate } from '../units/dates'
import type { MassUnit } from '../units/parse'
import type { WeighIn } from './parse'

/** A weigh-in that the record does not explain, or that would take another's place. */
export interface QuestionedWeighIn extends WeighIn {
  /** What may have been meant; none where it only replaces what was there. */
  finding?: Finding
  /** What is on record for the same day, kg. */
  replaces?: number
}

/** Masses of one day that differ by less are one and the same, typed twice. */
const SAME_KG = 0.05

/**
 * Weigh-ins that are asked about before they count: each held against the record and against those before it that are
 * not in question themselves.
 *
 * @param typed oldest first
 * @param weighIns on record, of which a day holds one
 * @param checkIns masses that check-ins took
 */
export function questionedWeighIns(
  typed: readonly WeighIn[],
  { weighIns, checkIns }: Record<'weighIns' | 'checkIns', readonly WeighIn[]>,
  unit: MassUnit,
): QuestionedWeighIn[] {
  const byDay = (masses: readonly WeighIn[]) =>
    masses.map(({ date, kg }): [IsoDate, number] => [date, kg])
  const kept = new Map(byDay(weighIns))
  // Of a day with both, the weigh-in counts.
  const trusted = new Map([...byDay(checkIns), ...kept])
  return typed.flatMap(({ date, kg }): QuestionedWeighIn[] => {
    const known = [...trusted].flatMap(([on, of]) => (on === date ? [] : { date: on, kg: of }))
    const masses = massesFrom(date, known)
    const units = { length: 'cm', mass: unit } as const
    const [finding] = findMassError({ massKg: kg, masses, units })
    const before = kept.get(date)
    const replaces = before !== undefined && Math.abs(before - kg) > SAME_KG ? before : undefined
    if (!finding) trusted.set(date, kg)
    return finding || replaces !== undefined ? [{ date, kg, finding, replaces }] : []
  })
}
