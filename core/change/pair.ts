import {
  leadEquation,
  resultOf,
  sheetOf,
  type CheckInRecord,
  type Person,
} from '../composition/check-in'
import { comparable } from './differences'

/** Whether the equation of a check-in reads an earlier one too; nothing where it does not even read its own. */
function equationReader(person: Person, now: CheckInRecord) {
  const equationId = leadEquation(sheetOf(person, now).protocol, person.sex)
  if (equationId === undefined || !resultOf(person, now, equationId).ok) return () => false
  return (then: CheckInRecord) =>
    resultOf(person, { ...then, conversion: now.conversion }, equationId).ok
}

/**
 * The check-in that a newer one is compared with, wherever nobody chose another: the first in the order given that the
 * same equation reads, else the first that has anything in common, else the first of all.
 *
 * @param candidates earlier check-ins: newest first for the last one, oldest first for the first one
 */
export function comparedWith<R extends CheckInRecord>(
  person: Person,
  now: CheckInRecord,
  candidates: readonly R[],
): R | undefined {
  return (
    candidates.find(equationReader(person, now)) ??
    candidates.find((then) => comparable(person, then, now)) ??
    candidates[0]
  )
}
