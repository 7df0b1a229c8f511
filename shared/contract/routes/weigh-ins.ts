import { z } from '../zod'
import { route } from '../define'
import { idSchema, isoDateSchema } from '../fields'
import { weighInSchema } from '../weigh-ins'
import { weighInsFormSchema } from '../weigh-ins-form'
import { bare, byId } from './base'

export const weighIns = {
  list: route({
    action: 'clients.see',
    ...byId,
    method: 'GET',
    path: '/api/clients/:id/weigh-ins',
    reply: z.array(weighInSchema),
  }),
  add: route({
    action: 'clients.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/weigh-ins',
    body: weighInsFormSchema,
    reply: z.array(weighInSchema),
  }),
  remove: route({
    action: 'clients.change',
    ...bare,
    method: 'DELETE',
    path: '/api/clients/:id/weigh-ins/:date',
    params: z.object({ id: idSchema, date: isoDateSchema }),
    reply: z.array(weighInSchema),
  }),
}
