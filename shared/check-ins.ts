import { z } from 'zod'
import {
  GIRTH_IDS,
  isGirth,
  isSkinfold,
  limitsOf,
  nameOf,
  PROTOCOLS,
  SCHOOLS,
  SKINFOLD_IDS,
} from '../core'
import { idSchema, isoDateSchema, clientSchema } from './clients'

export const conversionSchema = z.enum(['siri', 'brozek'], {
  error: 'Conversion: accepted are siri and brozek.',
})

export const protocolIdSchema = z.enum(PROTOCOLS.map((p) => p.id) as [string, ...string[]], {
  error: `Protocol: accepted are ${PROTOCOLS.map((p) => p.id).join(', ')}.`,
})

export const coachSchema = z.object({ id: idSchema, name: z.string() })
export type Coach = z.infer<typeof coachSchema>

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

const siteIdSchema = z.enum([...SKINFOLD_IDS, ...GIRTH_IDS], {
  error: 'Site: there is no such site.',
})

const skippedSchema = z.array(
  z.object({
    site: siteIdSchema,
    reason: z.enum(SKIP_REASONS, { error: `Reason: accepted are ${SKIP_REASONS.join(', ')}.` }),
  }),
)
export type Skipped = z.infer<typeof skippedSchema>[number]

export const checkInChangeSchema = z.object({
  skipped: skippedSchema.optional(),
  protocolId: protocolIdSchema.optional(),
  conversion: conversionSchema.optional(),
})
export type CheckInChange = z.infer<typeof checkInChangeSchema>

export const checkInSchema = z.object({
  id: idSchema,
  clientId: idSchema,
  coachId: idSchema,
  protocolId: protocolIdSchema,
  conversion: conversionSchema,
  measuredOn: isoDateSchema,
  startedAt: z.string(),
  closedAt: z.string().nullable(),
  skipped: skippedSchema,
})
export type CheckIn = z.infer<typeof checkInSchema>

/** One reading on the wire. The id is made by the client, so that sending it twice stores it once. */
export const readingSchema = z
  .object({
    id: idSchema,
    checkInId: idSchema,
    kind: z.enum(['skinfold', 'girth', 'mass']),
    site: siteIdSchema.nullable(),
    school: z.enum(SCHOOLS).nullable(),
    pass: z.number().int().min(1).max(9),
    value: z.number(),
    unit: z.enum(['mm', 'cm', 'm', 'in', 'ft in', 'kg', 'lb', 'st lb']),
    typed: z.string().max(40),
    takenAt: instant,
    supersedes: idSchema.nullable(),
  })
  .superRefine((reading, context) => {
    const { kind, site, school, value, typed } = reading
    const fits = {
      skinfold: site !== null && isSkinfold(site) && school !== null,
      girth: site !== null && isGirth(site) && school === null,
      mass: site === null && school === null,
    }[kind]
    if (!fits) {
      context.addIssue({
        code: 'custom',
        path: ['site'],
        message: 'Site: a fold names its site and school, a girth its site, a body mass neither.',
      })
      return
    }
    const { hardLow, hardHigh } = limitsOf(site ?? 'mass')
    if (!(value >= hardLow && value <= hardHigh)) {
      const label = site ? nameOf(site) : 'Body mass'
      const unit = { skinfold: 'mm', girth: 'cm', mass: 'kg' }[kind]
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

const checkInWithReadingsSchema = checkInSchema.extend({ readings: z.array(readingSchema) })
export type CheckInWithReadings = z.infer<typeof checkInWithReadingsSchema>

/** What the check-in screen needs: itself, the person, and the closed check-ins before it, newest first. */
export const checkInViewSchema = z.object({
  checkIn: checkInWithReadingsSchema,
  client: clientSchema,
  earlier: z.array(checkInWithReadingsSchema),
})
export type CheckInView = z.infer<typeof checkInViewSchema>

/** What the client page needs: check-ins newest first. */
export const clientViewSchema = z.object({
  client: clientSchema,
  checkIns: z.array(checkInWithReadingsSchema),
})
export type ClientView = z.infer<typeof clientViewSchema>
