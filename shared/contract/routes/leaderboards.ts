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
    ...bare,
    method: 'GET',
    path: '/api/leaderboards',
    reply: z.array(leaderboardSchema),
  }),
  add: route({
    ...bare,
    method: 'POST',
    path: '/api/leaderboards',
    body: newLeaderboardSchema,
    reply: leaderboardSchema,
    status: 201,
  }),
  view: route({ ...byId, method: 'GET', path: '/api/leaderboards/:id', reply: boardSchema }),
  change: route({
    ...byId,
    method: 'PATCH',
    path: '/api/leaderboards/:id',
    body: leaderboardFormSchema,
    reply: boardSchema,
  }),
  remove: route({
    ...byId,
    method: 'DELETE',
    path: '/api/leaderboards/:id',
    reply: z.array(leaderboardSchema),
  }),
}
