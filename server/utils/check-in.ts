import type { CheckInWithReadings } from '#shared/check-ins'
import type { Database } from '../database/open'
import { findCheckIn } from '../repositories/check-ins'
import { NotFound } from './api'

/** The check-in of that id; the answer is 404 when there is none. */
export async function checkInOr404(db: Database, id: string): Promise<CheckInWithReadings> {
  const checkIn = await findCheckIn(db, id)
  if (!checkIn) throw new NotFound('No such check-in.')
  return checkIn
}
