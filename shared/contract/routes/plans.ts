import { z } from '../zod'
import { TRAINING } from '../../../core/index'
import { route } from '../define'
import { clearanceSchema, newClearanceSchema, newPlanSchema, planSchema } from '../plans'
import { byId, none } from './base'

export const plans = {
  list: route({
    ...byId,
    method: 'GET',
    path: '/api/clients/:id/plans',
    reply: z.object({
      plans: z.array(planSchema),
      flags: z.array(z.string()),
      training: z.enum(TRAINING).nullable(),
      clearances: z.array(clearanceSchema),
    }),
  }),
  keep: route({
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/plans',
    body: newPlanSchema,
    reply: z.array(planSchema),
  }),
  clear: route({
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/plans/clearances',
    body: newClearanceSchema,
    reply: z.array(clearanceSchema),
  }),
  end: route({
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/plans/end',
    body: none,
    reply: z.array(planSchema),
  }),
}
