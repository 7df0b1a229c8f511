import { getQuery } from 'h3'
import { z } from 'zod'
import { isoDateSchema } from '#shared/ids'
import type { Calendar } from '#shared/plans'
import { listDue } from '../repositories/clients'
import { defineApi } from '../utils/api'
import { todayHere } from '../utils/today'

const query = z.object({ from: isoDateSchema, to: isoDateSchema })

/** Check-ins due between two days. */
export default defineApi(async (event, db): Promise<Calendar> => {
  const { from, to } = query.parse(getQuery(event))
  return { today: todayHere(), entries: await listDue(db, { from, to }) }
})
