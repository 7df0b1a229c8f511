import { z } from '../zod'
import { route } from '../define'
import { idSchema } from '../fields'
import { clientNoteFormSchema, clientNoteSchema } from '../notes'
import { bare, byId } from './base'

export const notes = {
  add: route({
    action: 'clients.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/notes',
    body: clientNoteFormSchema,
    reply: z.array(clientNoteSchema),
  }),
  remove: route({
    action: 'clients.change',
    ...bare,
    method: 'DELETE',
    path: '/api/clients/:id/notes/:note',
    params: z.object({ id: idSchema, note: idSchema }),
    reply: z.array(clientNoteSchema),
  }),
}
