import { say } from '../../../core/index'
import { z } from '../zod'
import { route } from '../define'
import { requiredText } from '../fields'
import {
  boardSchema,
  leaderboardFormSchema,
  leaderboardSchema,
  madeWallSchema,
  newLeaderboardSchema,
  wallFormSchema,
  wallSchema,
} from '../leaderboards'
import { bare, byId } from './base'

export const leaderboards = {
  list: route({
    action: 'boards.see',
    ...bare,
    method: 'GET',
    path: '/api/leaderboards',
    reply: z.array(leaderboardSchema),
  }),
  add: route({
    action: 'boards.change',
    ...bare,
    method: 'POST',
    path: '/api/leaderboards',
    body: newLeaderboardSchema,
    reply: leaderboardSchema,
    status: 201,
  }),
  view: route({
    action: 'boards.see',
    ...byId,
    method: 'GET',
    path: '/api/leaderboards/:id',
    reply: boardSchema,
  }),
  change: route({
    action: 'boards.change',
    ...byId,
    method: 'PATCH',
    path: '/api/leaderboards/:id',
    body: leaderboardFormSchema,
    reply: boardSchema,
  }),
  remove: route({
    action: 'boards.change',
    ...byId,
    method: 'DELETE',
    path: '/api/leaderboards/:id',
    reply: z.array(leaderboardSchema),
  }),
  /** Keeps the result as it stands: nothing that is measured later changes it. */
  close: route({
    action: 'boards.change',
    ...byId,
    method: 'POST',
    path: '/api/leaderboards/:id/close',
    reply: boardSchema,
  }),
  reopen: route({
    action: 'boards.change',
    ...byId,
    method: 'DELETE',
    path: '/api/leaderboards/:id/close',
    reply: boardSchema,
  }),
  /** For a screen, which has a key and no session. */
  wall: route({
    action: 'anybody',
    ...bare,
    params: z.object({ key: requiredText(say('fields.key'), 100) }),
    method: 'GET',
    path: '/api/walls/:key',
    reply: wallSchema,
  }),
  /** The link of a screen on the wall; asked for again it is another one, and the one before shows nothing. */
  hang: route({
    action: 'boards.change',
    ...byId,
    method: 'POST',
    path: '/api/leaderboards/:id/wall',
    body: wallFormSchema,
    reply: madeWallSchema,
    status: 201,
  }),
  takeDown: route({
    action: 'boards.change',
    ...byId,
    method: 'DELETE',
    path: '/api/leaderboards/:id/wall',
    reply: boardSchema,
  }),
}
