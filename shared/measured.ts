import { massOf, massOfWeek, type Measured, type WeighIn } from '../core'
import type { CheckInWithReadings } from './check-ins'
import type { ClientView } from './client-view'
import { measurementSetupOf } from './gym'

/** What a check-in is judged with: people, instruments, their errors, and the weigh-ins around it. */
export type JudgedWith = Pick<ClientView, 'testers' | 'instruments' | 'ownErrors' | 'weighIns'>

/** A check-in as the judgement takes it. */
export function measuredOf(
  checkIn: CheckInWithReadings,
  { testers, instruments, ownErrors, weighIns }: JudgedWith,
): Measured & CheckInWithReadings {
  const setup = measurementSetupOf({ testers, instruments }, checkIn, ownErrors[checkIn.testerId])
  const week = weekOf(checkIn, weighIns)
  return { ...checkIn, setup, ...(week ? { weekMass: { kg: week.kg, days: week.days } } : {}) }
}

/** The week of weigh-ins that ends on a check-in; undefined where its own weighing is all there is. */
function weekOf(checkIn: CheckInWithReadings, weighIns: readonly WeighIn[]) {
  const week = massOfWeek(weighIns, checkIn.measuredOn, massOf(checkIn.readings))
  return week && week.days > 1 ? week : undefined
}
