import { choice, idSchema, requiredText } from '../fields'
import { say, CONVERSION_IDS } from '../../../core/index'
import { PAPER_SIZES, REPORTS } from '../choices'
import { route } from '../define'
import { z } from '../zod'
import { bare } from './base'

const paper = choice(say('fields.paperSize'), PAPER_SIZES).default('a4')

/** How a page is to be written. */
const writtenSchema = z.object({
  paper,
  mass: choice(say('fields.unit'), ['kg', 'lb']).default('kg'),
  length: choice(say('fields.unit'), ['cm', 'in']).default('cm'),
  /** On the client's page: sums and girths too. */
  girths: choice(say('fields.girths'), ['yes', 'no']).default('no'),
})

/** Pages on paper. */
export const reports = {
  client: route({
    action: 'clients.see',
    ...bare,
    method: 'GET',
    path: '/api/clients/:id/reports/:kind',
    params: z.object({ id: idSchema, kind: choice(say('fields.report'), REPORTS) }),
    query: writtenSchema,
    reply: { type: 'application/pdf' as const },
  }),
  sumByAge: route({
    action: 'gym.see',
    ...bare,
    method: 'GET',
    path: '/api/sum-by-age',
    query: z.object({
      paper,
      equation: requiredText(say('fields.equation'), 60),
      sex: choice(say('fields.sex'), ['female', 'male']),
      conversion: choice(say('fields.conversion'), CONVERSION_IDS).default('siri'),
    }),
    reply: { type: 'application/pdf' as const },
  }),
}
