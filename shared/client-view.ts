import { z } from 'zod'
import type { OwnErrors } from '../core'
import { checkInWithReadingsSchema } from './check-ins'
import { clientSchema, siteNoteSchema, recordEventSchema, screeningSchema } from './clients'
import { testerSchema, instrumentSchema } from './gym'
import { isoDateSchema } from './ids'
import { planSchema } from './plans'
import { clientNoteSchema, photoSchema, weighInSchema } from './tracking'

const ownErrorsSchema = z.custom<OwnErrors>((value) => typeof value === 'object' && value !== null)

/** What the client page needs: check-ins newest first; the voided ones apart. */
export const clientViewSchema = z.object({
  client: clientSchema,
  checkIns: z.array(checkInWithReadingsSchema),
  voided: z.array(checkInWithReadingsSchema),
  screening: screeningSchema.nullable(),
  siteNotes: z.array(siteNoteSchema),
  testers: z.array(testerSchema),
  history: z.array(recordEventSchema),
  heights: z.array(z.object({ cm: z.number(), unit: z.string(), takenOn: isoDateSchema })),
  instruments: z.array(instrumentSchema),
  /** Each tester's own error, by tester. */
  ownErrors: z.record(z.string(), ownErrorsSchema),
  weighIns: z.array(weighInSchema),
  events: z.array(clientNoteSchema),
  /** Days on which photos were taken, latest first. */
  photos: z.array(photoSchema),
  /** Latest first; at most one is in force. */
  plans: z.array(planSchema),
})
export type ClientView = z.infer<typeof clientViewSchema>
