import { say } from '../../../core/index'
import {
  backupHoldsSchema,
  backupSettingsSchema,
  backupsSchema,
  openBackupSchema,
} from '../backups'
import { route } from '../define'
import { requiredText } from '../fields'
import { z } from '../zod'
import { bare } from './base'

/** No record of a gym comes near it, bytes. */
const LARGEST_BACKUP = 20e9

const named = { ...bare, params: z.object({ name: requiredText(say('fields.backup'), 80) }) }

export const backups = {
  view: route({
    action: 'gym.keep',
    ...bare,
    method: 'GET',
    path: '/api/backups',
    reply: backupsSchema,
  }),
  make: route({
    action: 'gym.keep',
    ...bare,
    method: 'POST',
    path: '/api/backups',
    reply: backupsSchema,
    status: 201,
  }),
  change: route({
    action: 'gym.keep',
    ...bare,
    method: 'PATCH',
    path: '/api/backups',
    body: backupSettingsSchema,
    reply: backupsSchema,
  }),
  bring: route({
    action: 'gym.keep',
    ...bare,
    method: 'POST',
    path: '/api/backups/brought',
    file: { types: ['application/zip', 'application/octet-stream'], mostBytes: LARGEST_BACKUP },
    reply: backupsSchema,
    status: 201,
  }),
  file: route({
    action: 'gym.keep',
    ...named,
    method: 'GET',
    path: '/api/backups/:name',
    reply: { type: 'application/octet-stream' as const },
  }),
  tryOut: route({
    action: 'gym.keep',
    ...named,
    method: 'POST',
    path: '/api/backups/:name/try',
    body: openBackupSchema,
    reply: backupHoldsSchema,
  }),
  restore: route({
    action: 'gym.keep',
    ...named,
    method: 'POST',
    path: '/api/backups/:name/restore',
    body: openBackupSchema,
    reply: backupHoldsSchema,
  }),
}
