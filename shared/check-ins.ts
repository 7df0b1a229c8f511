import { z } from 'zod'
import {
  CONDITIONS,
  isGirth,
  isSkinfold,
  limitsOf,
  nameOf,
  SCHOOLS,
  type ConditionId,
  type Hand,
} from '../core'
import { clientSchema, markFormSchema, screeningSchema } from './clients'
import {
  consentSchema,
  gymSchema,
  ownProtocolSchema,
  protocolIdSchema,
  toleranceSchema,
} from './gym'
import { idSchema, isoDateSchema } from './ids'
import { girthIdSchema, siteIdSchema } from './sites'

export const conversionSchema = z.enum(['siri', 'brozek'], {
  error: 'Conversion: accepted are siri and brozek.',
})

const instant = z.iso.datetime({
  offset: true,
  error: 'Time: accepted is an instant as 2026-03-14T09:30:00Z.',
})

/** What starts a check-in. The id is made by the client, so that starting twice starts once. */
export const newCheckInSchema = z.object({
  id: idSchema,
  clientId: idSchema,
  protocolId: protocolIdSchema.optional(),
  measuredOn: isoDateSchema,
  startedAt: instant,
  /** Entered later from a paper sheet, beside any that is under way. */
  fromPaper: z.boolean().optional(),
})
export type NewCheckIn = z.infer<typeof newCheckInSchema>

/** Why a site is left out. */
export const SKIP_REASONS = [
  'jaws not parallel',
  'beyond the caliper',
  'skin, wound or implant',
  'client declined',
  'out of time',
] as const

const skippedSchema = z.array(
  z.object({
    site: siteIdSchema,
    reason: z.enum(SKIP_REASONS, { error: `Reason: accepted are ${SKIP_REASONS.join(', ')}.` }),
  }),
)
export type Skipped = z.infer<typeof skippedSchema>[number]

const chip = (id: ConditionId) => {
  const { label, options } = CONDITIONS.find((c) => c.id === id)!
  const ids = options.map((o) => o.id)
  return z.enum(ids as [string, ...string[]], {
    error: `${label}: accepted are ${ids.join(', ')}.`,
  })
}

/** One chip of each condition, and notes. */
export const conditionsSchema = z
  .object({
    time: chip('time'),
    food: chip('food'),
    training: chip('training'),
    skin: chip('skin'),
    water: chip('water'),
    health: chip('health'),
    cycle: chip('cycle'),
    notes: z.string().max(500, 'Notes: is too long. Accepted: up to 500 characters.'),
  })
  .partial()

const choices = {
  protocolId: protocolIdSchema,
  conversion: conversionSchema,
  skipped: skippedSchema,
  extraGirths: z.array(girthIdSchema),
  conditions: conditionsSchema,
  consent: consentSchema.nullable(),
  massDry: z.boolean().nullable(),
  coachId: idSchema,
  caliperId: idSchema.nullable(),
  tapeId: idSchema.nullable(),
  scaleId: idSchema.nullable(),
}

export const checkInChangeSchema = z.object({ ...choices, measuredOn: isoDateSchema }).partial()
export type CheckInChange = z.infer<typeof checkInChangeSchema>

export const checkInSchema = z.object({
  ...choices,
  id: idSchema,
  clientId: idSchema,
  ownProtocol: ownProtocolSchema.nullable(),
  tolerance: toleranceSchema.nullable(),
  measuredOn: isoDateSchema,
  startedAt: z.string(),
  closedAt: z.string().nullable(),
  fromPaper: z.boolean(),
  /** How often its choices were changed: the higher one is the newer. */
  revision: z.number().int(),
  voided: z.object({ at: z.string(), reason: z.string() }).nullable(),
  /** The height in force on its day, besides one taken in the check-in itself. */
  heightCm: z.number().nullable(),
})
export type CheckIn = z.infer<typeof checkInSchema>

/** One reading on the wire. The id is made by the client, so that sending it twice stores it once. */
export const readingSchema = z
  .object({
    id: idSchema,
    checkInId: idSchema,
    kind: z.enum(['skinfold', 'girth', 'mass', 'height']),
    site: siteIdSchema.nullable(),
    school: z.enum(SCHOOLS).nullable(),
    pass: z.number().int().min(1).max(9),
    value: z.number(),
    unit: z.enum(['mm', 'cm', 'm', 'in', 'ft in', 'kg', 'lb', 'st lb']),
    typed: z.string().max(40),
    takenAt: instant,
    supersedes: idSchema.nullable(),
    /** Who took it; the server says so. */
    coachId: idSchema.optional(),
  })
  .superRefine((reading, context) => {
    const { kind, site, school, value, typed } = reading
    const bare = site === null && school === null
    const fits = {
      skinfold: site !== null && isSkinfold(site) && school !== null,
      girth: site !== null && isGirth(site) && school === null,
      mass: bare,
      height: bare,
    }[kind]
    if (!fits) {
      context.addIssue({
        code: 'custom',
        path: ['site'],
        message:
          'Site: a fold names its site and school, a girth its site, body mass and height neither.',
      })
      return
    }
    const { hardLow, hardHigh } = limitsOf(site ?? (kind === 'height' ? 'height' : 'mass'))
    if (!(value >= hardLow && value <= hardHigh)) {
      const label = site ? nameOf(site) : kind === 'height' ? 'Height' : 'Body mass'
      const unit = { skinfold: 'mm', girth: 'cm', mass: 'kg', height: 'cm' }[kind]
      context.addIssue({
        code: 'custom',
        path: ['value'],
        message: `${label}: got ${typed}. Accepted: ${hardLow} to ${hardHigh} ${unit}.`,
      })
    }
  })
export type ReadingRecord = z.infer<typeof readingSchema>

/** A batch from a screen's outbox: each reading is judged on its own, so that one refused stops none. */
export const readingBatchSchema = z.object({ readings: z.array(z.unknown()).min(1).max(500) })

export const readingReceiptSchema = z.object({
  stored: z.array(z.string()),
  refused: z.array(z.object({ id: z.string(), message: z.string() })),
})
export type ReadingReceipt = z.infer<typeof readingReceiptSchema>

export const checkInWithReadingsSchema = checkInSchema.extend({
  readings: z.array(readingSchema),
})
export type CheckInWithReadings = z.infer<typeof checkInWithReadingsSchema>

/** Who measures and with what, as far as the size of the error depends on it. */
export const handSchema = z.custom<Hand>((value) => typeof value === 'object' && value !== null)

/** What the check-in screen needs: itself, the person, and the closed check-ins before it, newest first. */
export const checkInViewSchema = z.object({
  checkIn: checkInWithReadingsSchema,
  client: clientSchema,
  earlier: z.array(checkInWithReadingsSchema),
  screening: screeningSchema.nullable(),
  marks: z.array(markFormSchema),
  gym: gymSchema,
  hand: handSchema,
})
export type CheckInView = z.infer<typeof checkInViewSchema>

/** What the caller's view needs: no screening, no percentages, nothing that a bystander should not read. */
export const callerViewSchema = z.object({
  checkIn: checkInWithReadingsSchema.omit({ conditions: true, consent: true, heightCm: true }),
  client: clientSchema.pick({ name: true, sex: true }),
  marks: z.array(markFormSchema),
})
export type CallerView = z.infer<typeof callerViewSchema>

const reason = z
  .string({ error: 'Reason: is missing. Accepted: a few words.' })
  .trim()
  .min(1, 'Reason: is missing. Accepted: a few words.')
  .max(200, 'Reason: is too long. Accepted: up to 200 characters.')

export const voidSchema = z.object({ reason })
export const moveSchema = z.object({ clientId: idSchema, reason })
