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
    action: 'clients.list',
    ...bare,
    method: 'GET',
    path: '/api/clients',
    query: rosterQuerySchema,
    reply: rosterSchema,
  }),
  add: route({
    action: 'clients.add',
    ...bare,
    method: 'POST',
    path: '/api/clients',
    body: newClientSchema,
    reply: clientSchema,
    status: 201,
  }),
  view: route({
    action: 'clients.see',
    ...byId,
    method: 'GET',
    path: '/api/clients/:id',
    reply: clientSchema,
  }),
  change: route({
    action: 'clients.change',
    ...byId,
    method: 'PATCH',
    path: '/api/clients/:id',
    body: clientChangeSchema,
    reply: clientSchema,
  }),
  erase: route({
    action: 'clients.erase',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/erase',
    body: eraseSchema,
    reply: z.object({ erased: z.string() }),
  }),
  record: route({
    action: 'clients.see',
    ...byId,
    method: 'GET',
    path: '/api/clients/:id/record',
    reply: clientRecordSchema,
  }),
  file: route({
    action: 'clients.see',
    ...byId,
    method: 'GET',
    path: '/api/clients/:id/file',
    reply: clientFileSchema,
  }),
  screen: route({
    action: 'clients.screen',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/screening',
    body: screeningFormSchema,
    reply: screeningSchema,
  }),
  keepSiteNote: route({
    action: 'clients.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/site-notes',
    body: siteNoteFormSchema,
    reply: z.array(siteNoteSchema),
  }),
  /** Who was deleted for good, for browsers that still keep something of them. */
  erased: route({
    action: 'gym.see',
    ...bare,
    method: 'GET',
    path: '/api/erased',
    reply: z.object({ clientIds: z.array(z.uuid()) }),
  }),
  archived: route({
    action: 'clients.list',
    ...bare,
    method: 'GET',
    path: '/api/archive',
    reply: z.array(z.object({ id: z.string(), name: z.string() })),
  }),
}
