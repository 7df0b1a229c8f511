import { dueState } from '#core'
import type { Today } from '#shared/today'
import { listStandings } from '../repositories/clients'
import { defineApi } from '../utils/api'
import { todayHere } from '../utils/today'

/** Every client with when the next check-in is due and the one under way. */
export default defineApi(async (_event, db): Promise<Today> => {
  const today = todayHere()
  const standings = await listStandings(db)
  return {
    today,
    entries: standings.map(({ client, nextDueOn, lastMeasuredOn, open }) => ({
      client,
      lastMeasuredOn,
      open,
      ...dueState(lastMeasuredOn, client.cadenceDays, today, nextDueOn),
    })),
  }
})
