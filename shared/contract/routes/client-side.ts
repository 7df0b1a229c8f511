import {
  appointmentFormSchema,
  clientDetailsSchema,
  detailsChangeSchema,
  madeLinkSchema,
  myPageSchema,
  newLinkSchema,
  openLinkSchema,
  screenUnitsSchema,
  sessionNoteFormSchema,
  sharedStorySchema,
} from '../client-side'
import { meSchema } from '../access'
import { route } from '../define'
import { idSchema } from '../fields'
import { LARGEST_PHOTO_BYTES, newPhotoSchema, PHOTO_TYPES } from '../photos'
import { decisionSchema, sentReportSchema, talkSchema, weeklyReportSchema } from '../weekly-reports'
import { z } from '../zod'
import { bare, byId } from './base'

/** One thing of a client's. */
const part = { ...bare, params: z.object({ id: idSchema, part: idSchema }) }

/** What a coach keeps about a client besides measuring. */
export const details = {
  view: route({
    action: 'clients.see',
    ...byId,
    method: 'GET',
    path: '/api/clients/:id/details',
    reply: clientDetailsSchema,
  }),
  change: route({
    action: 'clients.change',
    ...byId,
    method: 'PATCH',
    path: '/api/clients/:id/details',
    body: detailsChangeSchema,
    reply: clientDetailsSchema,
  }),
  keepNote: route({
    action: 'clients.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/session-notes',
    body: sessionNoteFormSchema,
    reply: clientDetailsSchema,
  }),
  removeNote: route({
    action: 'clients.change',
    ...part,
    method: 'DELETE',
    path: '/api/clients/:id/session-notes/:part',
    reply: clientDetailsSchema,
  }),
  keepAppointment: route({
    action: 'clients.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/appointments',
    body: appointmentFormSchema,
    reply: clientDetailsSchema,
  }),
  cancelAppointment: route({
    action: 'clients.change',
    ...part,
    method: 'DELETE',
    path: '/api/clients/:id/appointments/:part',
    reply: clientDetailsSchema,
  }),
}

/** What of a record its client sees. */
export const sharing = {
  /** As the client sees it, for the coach to look at first. */
  preview: route({
    action: 'clients.see',
    ...byId,
    method: 'GET',
    path: '/api/clients/:id/shared',
    query: screenUnitsSchema,
    reply: z.object({ story: sharedStorySchema.nullable() }),
  }),
  /** The same in one file that needs no server. */
  file: route({
    action: 'clients.see',
    ...byId,
    method: 'GET',
    path: '/api/clients/:id/shared-file',
    query: screenUnitsSchema,
    reply: { type: 'text/html' as const },
  }),
  addLink: route({
    action: 'clients.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/links',
    body: newLinkSchema,
    reply: madeLinkSchema,
    status: 201,
  }),
  endLink: route({
    action: 'clients.change',
    ...part,
    method: 'DELETE',
    path: '/api/clients/:id/links/:part',
    reply: clientDetailsSchema,
  }),
  /** Comes in by a link. */
  open: route({
    action: 'anybody',
    ...bare,
    method: 'POST',
    path: '/api/link',
    body: openLinkSchema,
    reply: meSchema,
  }),
}

/** Weekly reports, as the coach reads them. */
export const weeklyReports = {
  list: route({
    action: 'clients.see',
    ...byId,
    method: 'GET',
    path: '/api/clients/:id/weekly-reports',
    reply: z.array(weeklyReportSchema),
  }),
  /** A report that the coach enters for the client: a message that was pasted. */
  add: route({
    action: 'clients.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/weekly-reports',
    body: sentReportSchema,
    reply: z.array(weeklyReportSchema),
    status: 201,
  }),
  decide: route({
    action: 'clients.change',
    ...part,
    method: 'PATCH',
    path: '/api/clients/:id/weekly-reports/:part',
    body: decisionSchema,
    reply: z.array(weeklyReportSchema),
  }),
  ask: route({
    action: 'clients.change',
    ...part,
    method: 'POST',
    path: '/api/clients/:id/weekly-reports/:part/questions',
    body: talkSchema,
    reply: z.array(weeklyReportSchema),
  }),
}

/** A client's own page, behind a link. */
export const my = {
  page: route({
    action: 'self.see',
    ...bare,
    method: 'GET',
    path: '/api/my/page',
    query: screenUnitsSchema,
    reply: myPageSchema,
  }),
  send: route({
    action: 'self.report',
    ...bare,
    method: 'POST',
    path: '/api/my/reports',
    query: screenUnitsSchema,
    body: sentReportSchema,
    reply: myPageSchema,
    status: 201,
  }),
  answer: route({
    action: 'self.report',
    ...byId,
    method: 'POST',
    path: '/api/my/reports/:id/answers',
    query: screenUnitsSchema,
    body: talkSchema,
    reply: myPageSchema,
  }),
  addPhoto: route({
    action: 'self.report',
    ...byId,
    method: 'POST',
    path: '/api/my/reports/:id/photos',
    query: newPhotoSchema.omit({ id: true }).extend({ photo: idSchema }),
    file: { types: PHOTO_TYPES, mostBytes: LARGEST_PHOTO_BYTES },
    reply: z.object({ kept: z.boolean() }),
  }),
  photo: route({
    action: 'self.see',
    ...byId,
    method: 'GET',
    path: '/api/my/photos/:id',
    reply: { type: 'image' as const },
  }),
}
