import { z } from '../zod'
import { route } from '../define'
import {
  clearanceSchema,
  clientPlansSchema,
  newClearanceSchema,
  newPlanSchema,
  planSchema,
} from '../plans'
import { byId, none } from './base'

export const plans = {
  list: route({
    action: 'plans.see',
    ...byId,
    method: 'GET',
    path: '/api/clients/:id/plans',
    reply: clientPlansSchema,
  }),
  keep: route({
    action: 'plans.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/plans',
    body: newPlanSchema,
    reply: z.array(planSchema),
  }),
  refuse: route({
    action: 'plans.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/plans/refused',
    body: newPlanSchema,
    reply: z.array(planSchema),
  }),
  clear: route({
    action: 'plans.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/plans/clearances',
    body: newClearanceSchema,
    reply: z.array(clearanceSchema),
  }),
  end: route({
    action: 'plans.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/plans/end',
    body: none,
    reply: z.array(planSchema),
  }),
}
