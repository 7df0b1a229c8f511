import { choice, idSchema, requiredText } from '../fields'
import { say } from '../../../core/index'
import { EXPORT_FORMATS, SHEET_FORMATS } from '../choices'
import { route } from '../define'
import { importKnownSchema, importSchema, sheetKeySchema } from '../imports'
import { z } from '../zod'
import { bare, byId } from './base'

/** No gym's records come near it, bytes: 10,000 check-ins of seven folds are a third of it. */
const LARGEST_IMPORT = 100e6

const as = choice(say('fields.fileFormat'), EXPORT_FORMATS)

/** Records in and out. */
export const exchange = {
  imports: route({
    action: 'gym.keep',
    ...bare,
    method: 'GET',
    path: '/api/imports',
    reply: z.array(importSchema),
  }),
  /** Whom people of a file may be. */
  known: route({
    action: 'gym.keep',
    ...bare,
    method: 'GET',
    path: '/api/imports/known',
    reply: importKnownSchema,
  }),
  /** Lines of JSON: first what stands once, then the clients. Answered by lines that say how far it has come. */
  bring: route({
    action: 'gym.keep',
    ...bare,
    method: 'POST',
    path: '/api/imports',
    file: { types: ['application/x-ndjson'], mostBytes: LARGEST_IMPORT },
    reply: { type: 'application/x-ndjson' as const },
  }),
  undo: route({
    action: 'gym.keep',
    ...byId,
    method: 'POST',
    path: '/api/imports/:id/undo',
    reply: importSchema,
  }),
  sheetKeys: route({
    action: 'gym.keep',
    ...bare,
    method: 'GET',
    path: '/api/sheet-keys',
    reply: z.array(sheetKeySchema),
  }),
  addSheetKey: route({
    action: 'gym.keep',
    ...bare,
    method: 'POST',
    path: '/api/sheet-keys',
    body: z.strictObject({ id: idSchema, name: requiredText(say('fields.name'), 60) }),
    reply: z.object({ key: z.string(), keys: z.array(sheetKeySchema) }),
    status: 201,
  }),
  removeSheetKey: route({
    action: 'gym.keep',
    ...byId,
    method: 'DELETE',
    path: '/api/sheet-keys/:id',
    reply: z.array(sheetKeySchema),
  }),
  /** For a spreadsheet, which has a key and no session. */
  sheet: route({
    action: 'anybody',
    ...bare,
    method: 'GET',
    path: '/api/sheets/:key/:as',
    params: z.object({
      key: requiredText(say('fields.key'), 100),
      as: choice(say('fields.fileFormat'), SHEET_FORMATS),
    }),
    reply: { type: 'application/octet-stream' as const },
  }),
  /** Everybody's records. */
  everything: route({
    action: 'gym.keep',
    ...bare,
    method: 'GET',
    path: '/api/export/:as',
    params: z.object({ as }),
    reply: { type: 'application/octet-stream' as const },
  }),
  /** Everything that is kept about one client. */
  client: route({
    action: 'clients.see',
    ...bare,
    method: 'GET',
    path: '/api/clients/:id/export/:as',
    params: z.object({ id: idSchema, as }),
    reply: { type: 'application/octet-stream' as const },
  }),
}
