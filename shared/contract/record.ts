import { z } from './zod'
import { checkInWithReadingsSchema, ownErrorsSchema } from './check-ins'
import { auditEntrySchema, clientSchema, screeningSchema, siteNoteSchema } from './clients'
import { instrumentSchema, ownFiguresSchema, testerSchema } from './equipment'
import { clientNoteSchema } from './notes'
import { otherResultSchema } from './other-results'
import { planSchema } from './plans'
import { weighInSchema } from './weigh-ins'
import { isoDateSchema } from './fields'
import { girthIdSchema } from './sites'

/** What the pages about a client's check-ins need: the record, and what it is judged with. Newest first. */
export const clientRecordSchema = z.object({
  client: clientSchema,
  checkIns: z.array(checkInWithReadingsSchema),
  testers: z.array(testerSchema),
  instruments: z.array(instrumentSchema.omit({ checks: true })),
  ownErrors: ownErrorsSchema,
  /** What the gym's own records tell of its errors; null while they are too few. */
  gymFigures: ownFiguresSchema.nullable(),
  weighIns: z.array(weighInSchema),
  /** Girths that the client took of themselves. */
  selfGirths: z.array(
    z.object({ date: isoDateSchema, girth: girthIdSchema, trial: z.number(), cm: z.number() }),
  ),
  /** What other methods than the folds said, oldest first. */
  otherResults: z.array(otherResultSchema),
  notes: z.array(clientNoteSchema),
  planInForce: planSchema.nullable(),
  /** When the private screening was last looked through; its answers are in the file. */
  screenedOn: isoDateSchema.nullable(),
  /** Instruments out of tolerance that the newest check-in was taken with: the verdict carries a mark. */
  doubts: z.array(
    z.object({
      name: z.string(),
      foundOn: isoDateSchema,
      /** Null where no check ever was good. */
      lastGoodOn: isoDateSchema.nullable(),
    }),
  ),
  /** How many check-ins are voided; they are in the file. */
  voided: z.number(),
})
export type ClientRecord = z.infer<typeof clientRecordSchema>

/** A client's file: what is private, what was changed by hand, and what was set aside. */
export const clientFileSchema = z.object({
  screening: screeningSchema.nullable(),
  siteNotes: z.array(siteNoteSchema),
  heights: z.array(z.object({ cm: z.number(), unit: z.string(), takenOn: isoDateSchema })),
  auditLog: z.array(auditEntrySchema),
  voided: z.array(
    z.object({
      id: z.string(),
      measuredOn: isoDateSchema,
      reason: z.string(),
      readings: z.number(),
    }),
  ),
})
export type ClientFile = z.infer<typeof clientFileSchema>
