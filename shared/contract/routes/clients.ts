import { z } from '../zod'
import { route } from '../define'
import {
  clientChangeSchema,
  clientSchema,
  eraseSchema,
  newClientSchema,
  screeningFormSchema,
  screeningSchema,
  siteNoteFormSchema,
  siteNoteSchema,
} from '../clients'
import { clientFileSchema, clientRecordSchema } from '../record'
import { rosterQuerySchema, rosterSchema } from '../roster'
import { bare, byId } from './base'

export const clients = {
  list: route({
    ...bare,
    method: 'GET',
    path: '/api/clients',
    query: rosterQuerySchema,
    reply: rosterSchema,
  }),
  add: route({
    ...bare,
    method: 'POST',
    path: '/api/clients',
    body: newClientSchema,
    reply: clientSchema,
    status: 201,
  }),
  view: route({ ...byId, method: 'GET', path: '/api/clients/:id', reply: clientSchema }),
  change: route({
    ...byId,
    method: 'PATCH',
    path: '/api/clients/:id',
    body: clientChangeSchema,
    reply: clientSchema,
  }),
  erase: route({
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/erase',
    body: eraseSchema,
    reply: z.object({ erased: z.string() }),
  }),
  record: route({
    ...byId,
    method: 'GET',
    path: '/api/clients/:id/record',
    reply: clientRecordSchema,
  }),
  file: route({ ...byId, method: 'GET', path: '/api/clients/:id/file', reply: clientFileSchema }),
  screen: route({
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/screening',
    body: screeningFormSchema,
    reply: screeningSchema,
  }),
  keepSiteNote: route({
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/site-notes',
    body: siteNoteFormSchema,
    reply: z.array(siteNoteSchema),
  }),
  /** Who was deleted for good, for browsers that still keep something of them. */
  erased: route({
    ...bare,
    method: 'GET',
    path: '/api/erased',
    reply: z.object({ clientIds: z.array(z.uuid()) }),
  }),
  archived: route({
    ...bare,
    method: 'GET',
    path: '/api/archive',
    reply: z.array(z.object({ id: z.string(), name: z.string() })),
  }),
}
