import { z } from '../zod'
import { route } from '../define'
import {
  callerViewSchema,
  checkInChangeSchema,
  checkInSchema,
  checkInViewSchema,
  moveSchema,
  newCheckInSchema,
  readingBatchSchema,
  readingReceiptSchema,
  voidSchema,
} from '../check-ins'
import { bare, byId, none } from './base'

export const checkIns = {
  start: route({
    ...bare,
    method: 'POST',
    path: '/api/check-ins',
    body: newCheckInSchema,
    reply: checkInSchema,
    status: 201,
  }),
  view: route({ ...byId, method: 'GET', path: '/api/check-ins/:id', reply: checkInViewSchema }),
  change: route({
    ...byId,
    method: 'PATCH',
    path: '/api/check-ins/:id',
    body: checkInChangeSchema,
    reply: checkInSchema,
  }),
  discard: route({
    ...byId,
    method: 'DELETE',
    path: '/api/check-ins/:id',
    reply: z.object({ discarded: z.string() }),
  }),
  addReadings: route({
    ...byId,
    method: 'POST',
    path: '/api/check-ins/:id/readings',
    body: readingBatchSchema,
    reply: readingReceiptSchema,
  }),
  close: route({
    ...byId,
    method: 'POST',
    path: '/api/check-ins/:id/close',
    body: none,
    reply: checkInSchema,
  }),
  void: route({
    ...byId,
    method: 'POST',
    path: '/api/check-ins/:id/void',
    body: voidSchema,
    reply: checkInSchema,
  }),
  restore: route({
    ...byId,
    method: 'POST',
    path: '/api/check-ins/:id/restore',
    body: none,
    reply: checkInSchema,
  }),
  move: route({
    ...byId,
    method: 'POST',
    path: '/api/check-ins/:id/move',
    body: moveSchema,
    reply: checkInSchema,
  }),
  caller: route({
    ...byId,
    method: 'GET',
    path: '/api/check-ins/:id/caller',
    reply: callerViewSchema,
  }),
  live: route({
    ...byId,
    method: 'GET',
    path: '/api/check-ins/:id/live',
    query: z.object({ for: z.enum(['tester', 'caller']).default('tester') }),
    reply: { type: 'text/event-stream' as const },
  }),
}
