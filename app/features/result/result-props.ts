import type { GymFigures, IsoDate, Measured, WeighIn } from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { Client } from '#shared/contract/clients'

/** What a result is shown from. */
export interface ResultProps {
  client: Client
  checkIn: Measured & CheckInWithReadings
  /** Earlier check-ins, newest first. */
  earlier: (Measured & CheckInWithReadings)[]
  /** What the whole record is judged by besides. */
  weighIns: readonly WeighIn[]
  phaseStarts: readonly IsoDate[]
  gymFigures: GymFigures | undefined
}
