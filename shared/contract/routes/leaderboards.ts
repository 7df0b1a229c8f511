import { z } from '../zod'
import { route } from '../define'
import {
  boardSchema,
  leaderboardFormSchema,
  leaderboardSchema,
  newLeaderboardSchema,
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
}
