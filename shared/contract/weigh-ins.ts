import { z } from './zod'
import { isoDateSchema } from './fields'

/** One body mass of one day, kg. */
export const weighInSchema = z.object({ date: isoDateSchema, kg: z.number() })
