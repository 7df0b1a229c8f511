import { z } from '../zod'
import { route } from '../define'
import { calendarQuerySchema, calendarSchema } from '../calendar'
import { idSchema } from '../fields'
import { bare } from './base'

export const calendar = {
  month: route({
    ...bare,
    method: 'GET',
    path: '/api/calendar',
    query: calendarQuerySchema,
    reply: calendarSchema,
  }),
  file: route({
    ...bare,
    method: 'GET',
    path: '/api/calendar.ics',
    query: z.object({ client: idSchema.optional() }),
    reply: { type: 'text/calendar' as const },
  }),
}
