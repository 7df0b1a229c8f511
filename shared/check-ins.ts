import { z } from 'zod'
import {
  CONDITIONS,
  isGirth,
  isSkinfold,
  limitsOf,
  nameOf,
  LANDMARK_STANDARDS,
  type ConditionId,
  type MeasurementSetup,
} from '../core'
import { clientSchema, siteNoteSchema, screeningSchema } from './clients'
import {
  consentSchema,
  gymSchema,
  ownProtocolSchema,
  protocolIdSchema,
  toleranceSchema,
} from './gym'
import { idSchema, isoDateSchema, pastDateSchema } from './ids'
import { choice, freeText, refused, requiredText, integerBetween, yesOrNo } from './problems'
import { girthIdSchema, siteIdSchema } from './sites'

export const conversionSchema = choice('Conversion', ['siri', 'brozek'])

const instant = z.iso.datetime({
  offset: true,
  ...refused('Time', 'an instant as 2026-03-14T09:30:00Z'),
})

/** What starts a check-in. The id is made by the client, so that starting twice starts once. */
export const newCheckInSchema = z.object({
  id: idSchema,
  clientId: idSchema,
  protocolId: protocolIdSchema.optional(),
  measuredOn: pastDateSchema('Measured on'),
  startedAt: instant,
  /** Entered later from a paper sheet, beside any that is under way. */
  fromPaper: yesOrNo('From paper').optional(),
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

const skipped = refused('Skipped', 'a list of sites with their reasons')
const skippedSchema = z.array(
  z.object({ site: siteIdSchema, reason: choice('Reason', SKIP_REASONS) }, skipped),
  skipped,
)
export type Skipped = z.infer<typeof skippedSchema>[number]

const chip = (id: ConditionId) => {
  const { label, options } = CONDITIONS.find((c) => c.id === id)!
  return choice(
    label,
    options.map((o) => o.id),
  )
}

const conditions = refused(
  'Conditions',
  `one chip of each of ${CONDITIONS.map(({ id }) => id).join(', ')}, and notes`,
)

/** One chip of each condition, and notes. */
export const conditionsSchema = z
  .strictObject(
    {
      time: chip('time'),
      food: chip('food'),
      training: chip('training'),
      skin: chip('skin'),
      water: chip('water'),
      health: chip('health'),
      cycle: chip('cycle'),
      notes: freeText('Notes', 500),
    },
    conditions,
  )
  .partial()

const choices = {
  protocolId: protocolIdSchema,
  conversion: conversionSchema,
  skipped: skippedSchema,
  extraGirths: z.array(girthIdSchema, refused('Girths', 'a list of girths')),
  conditions: conditionsSchema,
  consent: consentSchema.nullable(),
  massDry: yesOrNo('Mass dry').nullable(),
  testerId: idSchema,
  caliperId: idSchema.nullable(),
  tapeId: idSchema.nullable(),
  scaleId: idSchema.nullable(),
}

export const checkInChangeSchema = z
  .object({ ...choices, measuredOn: pastDateSchema('Measured on') })
  .partial()
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
    kind: choice('Kind', ['skinfold', 'girth', 'mass', 'height']),
    site: siteIdSchema.nullable(),
    standard: choice('Landmark standard', LANDMARK_STANDARDS).nullable(),
    trial: integerBetween('Pass', 1, 9),
    value: z.number(refused('Value', 'a number in mm, cm or kg')),
    unit: choice('Unit', ['mm', 'cm', 'm', 'in', 'ft in', 'kg', 'lb', 'st lb']),
    typed: freeText('Typed', 40),
    takenAt: instant,
    supersedes: idSchema.nullable(),
    /** Who took it; the server says so. */
    testerId: idSchema.optional(),
  })
  .superRefine((reading, context) => {
    const { kind, site, standard, value, typed } = reading
    const bare = site === null && standard === null
    const fits = {
      skinfold: site !== null && isSkinfold(site) && standard !== null,
      girth: site !== null && isGirth(site) && standard === null,
      mass: bare,
      height: bare,
    }[kind]
    if (!fits) {
      context.addIssue({
        code: 'custom',
        path: ['site'],
        message:
          'Site: a fold names its site and landmark standard, a girth its site, body mass and height neither.',
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

const batch = refused('Readings', 'a list of 1 to 500 readings')

/** A batch from a screen's outbox: each reading is judged on its own, so that one refused stops none. */
export const readingBatchSchema = z.object({
  readings: z.array(z.unknown(), batch).min(1, batch).max(500, batch),
})

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
export const measurementSetupSchema = z.custom<MeasurementSetup>((value) => typeof value === 'object' && value !== null)

/** What the check-in screen needs: itself, the person, and the closed check-ins before it, newest first. */
export const checkInViewSchema = z.object({
  checkIn: checkInWithReadingsSchema,
  client: clientSchema,
  earlier: z.array(checkInWithReadingsSchema),
  screening: screeningSchema.nullable(),
  siteNotes: z.array(siteNoteSchema),
  gym: gymSchema,
  setup: measurementSetupSchema,
})
export type CheckInView = z.infer<typeof checkInViewSchema>

/** What the caller's view needs: no screening, no percentages, nothing that a bystander should not read. */
export const callerViewSchema = z.object({
  checkIn: checkInWithReadingsSchema.omit({ conditions: true, consent: true, heightCm: true }),
  client: clientSchema.pick({ name: true, sex: true }),
  siteNotes: z.array(siteNoteSchema),
})
export type CallerView = z.infer<typeof callerViewSchema>

const reason = requiredText('Reason', 200)

export const voidSchema = z.object({ reason })
export const moveSchema = z.object({ clientId: idSchema, reason })
