import type { CallerView, CheckInWithReadings } from '#shared/check-ins'
import type { Client } from '#shared/clients'
import type { Database } from '../database/open'
import { findCheckIn } from '../repositories/check-ins'
import { findClient, listSiteNotes } from '../repositories/clients'
import { NotFound } from './api'

/** The check-in of that id; the answer is 404 when there is none. */
export async function checkInOr404(db: Database, id: string): Promise<CheckInWithReadings> {
  const checkIn = await findCheckIn(db, id)
  if (!checkIn) throw new NotFound('No such check-in.')
  return checkIn
}

/** The client of that id; the answer is 404 when there is none. */
export async function clientOr404(db: Database, id: string): Promise<Client> {
  const client = await findClient(db, id)
  if (!client) throw new NotFound('No such client.')
  return client
}

/** A check-in for a screen that anybody may read: without conditions, notes, height and percentages. */
export async function callerViewOf(db: Database, id: string): Promise<CallerView> {
  const { conditions: _c, consent: _n, heightCm: _h, ...checkIn } = await checkInOr404(db, id)
  const { name, sex } = await clientOr404(db, checkIn.clientId)
  return { checkIn, client: { name, sex }, siteNotes: await listSiteNotes(db, checkIn.clientId) }
}
