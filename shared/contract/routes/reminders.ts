import { say } from '../../../core/index'
import { route } from '../define'
import { idSchema, requiredText } from '../fields'
import {
  madeFeedSchema,
  outboxSchema,
  reminderSettingsSchema,
  remindersSchema,
  saidReminderSchema,
} from '../reminders'
import { z } from '../zod'
import { bare, byId } from './base'

const byKey = { ...bare, params: z.object({ key: requiredText(say('fields.key'), 100) }) }
const stopped = z.object({ stopped: z.boolean() })

/** What clients are reminded of: by mail, as a text to copy, and in a calendar. */
export const reminders = {
  view: route({
    action: 'clients.list',
    ...bare,
    method: 'GET',
    path: '/api/reminders',
    reply: remindersSchema,
  }),
  change: route({
    action: 'gym.govern',
    ...bare,
    method: 'PATCH',
    path: '/api/reminders',
    body: reminderSettingsSchema,
    reply: remindersSchema,
  }),
  /** The coach has said it: no mail goes out for it. */
  said: route({
    action: 'clients.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/reminders',
    body: saidReminderSchema,
    reply: remindersSchema,
  }),
  /** Tries once more what failed, or may have. */
  again: route({
    action: 'clients.change',
    ...bare,
    params: z.object({ id: idSchema, part: idSchema }),
    method: 'POST',
    path: '/api/clients/:id/reminders/:part/again',
    reply: remindersSchema,
  }),
  /** For a calendar, which has a key and no session. */
  subscribed: route({
    action: 'anybody',
    ...byKey,
    method: 'GET',
    path: '/api/calendars/:key',
    reply: { type: 'text/calendar' as const },
  }),
  /** The address of a calendar of one's own; asked for again it is another one, and the one before shows nothing. */
  feed: route({
    action: 'clients.list',
    ...bare,
    method: 'POST',
    path: '/api/calendar-feed',
    reply: madeFeedSchema,
    status: 201,
  }),
  endFeed: route({
    action: 'clients.list',
    ...bare,
    method: 'DELETE',
    path: '/api/calendar-feed',
    reply: remindersSchema,
  }),
  /** A client's own calendar. */
  myFeed: route({
    action: 'self.see',
    ...bare,
    method: 'POST',
    path: '/api/my/calendar-feed',
    reply: madeFeedSchema,
    status: 201,
  }),
  /** From a mail: by its link, and by the button of a mail program (RFC 8058). */
  stop: route({
    action: 'anybody',
    ...byKey,
    method: 'POST',
    path: '/api/mail-stops/:key',
    reply: stopped,
  }),
  resume: route({
    action: 'anybody',
    ...byKey,
    method: 'DELETE',
    path: '/api/mail-stops/:key',
    reply: stopped,
  }),
  /** What the demo's stand-in for a mail server was given. */
  outbox: route({
    action: 'gym.govern',
    ...bare,
    method: 'GET',
    path: '/api/outbox',
    reply: outboxSchema,
  }),
}
