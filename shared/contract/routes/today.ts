import { z } from '../zod'
import { route } from '../define'
import { todayDoneSchema, todaySchema } from '../today'
import { bare } from './base'

export const today = {
  list: route({
    action: 'clients.list',
    ...bare,
    method: 'GET',
    path: '/api/today',
    reply: todaySchema,
  }),
  done: route({
    action: 'clients.change',
    ...bare,
    method: 'POST',
    path: '/api/today/done',
    body: todayDoneSchema,
    reply: z.object({ done: z.boolean() }),
  }),
}
