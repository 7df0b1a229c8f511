import { z } from '../zod'
import { route } from '../define'
import { calendarQuerySchema, calendarSchema } from '../calendar'
import { idSchema } from '../fields'
import { bare } from './base'

export const calendar = {
  month: route({
    action: 'clients.list',
    ...bare,
    method: 'GET',
    path: '/api/calendar',
    query: calendarQuerySchema,
    reply: calendarSchema,
  }),
  file: route({
    action: 'clients.list',
    ...bare,
    method: 'GET',
    path: '/api/calendar.ics',
    query: z.object({ client: idSchema.optional() }),
    reply: { type: 'text/calendar' as const },
  }),
}
