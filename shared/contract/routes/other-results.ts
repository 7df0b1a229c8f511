import { route } from '../define'
import { idSchema } from '../fields'
import { otherResultFormSchema, otherResultSchema } from '../other-results'
import { z } from '../zod'
import { bare, byId } from './base'

/** Results of other methods than the folds. */
export const otherResults = {
  add: route({
    action: 'clients.change',
    ...byId,
    method: 'POST',
    path: '/api/clients/:id/other-results',
    body: otherResultFormSchema,
    reply: z.array(otherResultSchema),
  }),
  remove: route({
    action: 'clients.change',
    ...bare,
    method: 'DELETE',
    path: '/api/clients/:id/other-results/:part',
    params: z.object({ id: idSchema, part: idSchema }),
    reply: z.array(otherResultSchema),
  }),
}
