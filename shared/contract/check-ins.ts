import { SKIP_REASONS } from './choices'
import { z } from './zod'
import {
  CONDITIONS,
  isGirth,
  isSkinfold,
  LANDMARK_STANDARDS,
  limitsOf,
  nameOf,
  type ConditionId,
  say,
  refusal,
  isBreadth,
  isLength,
  READING_KINDS,
  CONVERSION_IDS,
} from '../../core/index'
import { clientSchema, siteNoteSchema, screeningSchema } from './clients'
import {
  consentSchema,
  gymSchema,
  keptProtocolSchema,
  protocolIdSchema,
  toleranceSchema,
} from './equipment'
import { girthIdSchema, siteIdSchema } from './sites'
import { weighInSchema } from './weigh-ins'
import {
  choice,
  freeText,
  idSchema,
  integerBetween,
  isoDateSchema,
  numberIn,
  pastDateSchema,
  pastInstantSchema,
  requiredText,
  yesOrNo,
} from './fields'
import { errorText, issueOf } from './problems'

const conversionSchema = choice(say('fields.conversion'), CONVERSION_IDS)

/** What starts a check-in. The id is made by the client, so that starting twice starts once. */
export const newCheckInSchema = z.object({
  id: idSchema,
  clientId: idSchema,
  protocolId: protocolIdSchema.optional(),
  measuredOn: pastDateSchema(say('fields.measured')),
  startedAt: pastInstantSchema(say('fields.started')),
  /** Entered later from a paper sheet, beside any that is under way. */
  fromPaper: yesOrNo(say('fields.paper')).optional(),
})
export type NewCheckIn = z.infer<typeof newCheckInSchema>

const reasonSchema = choice(say('fields.reason'), SKIP_REASONS)
export const skippedSchema = z.array(z.object({ site: siteIdSchema, reason: reasonSchema }))
export type Skipped = z.infer<typeof skippedSchema>[number]

const chip = (id: ConditionId) => {
  const { label, options } = CONDITIONS.find((c) => c.id === id)!
  return choice(
    label,
    options.map((o) => o.id),
  )
}

const conditionShape = {
  time: chip('time'),
  food: chip('food'),
  training: chip('training'),
  skin: chip('skin'),
  water: chip('water'),
  health: chip('health'),
  cycle: chip('cycle'),
  notes: freeText(say('fields.notes'), 500, true),
  feels: freeText(say('fields.howClothesFitHowFeels'), 200),
}

/** One chip of each condition, and notes. */
export const conditionsSchema = z.strictObject(conditionShape).partial()

const choices = {
  protocolId: protocolIdSchema,
  conversion: conversionSchema,
  consent: consentSchema.nullable(),
  massDry: yesOrNo(say('fields.massDry')).nullable(),
  testerId: idSchema,
  caliperId: idSchema.nullable(),
  tapeId: idSchema.nullable(),
  boneCaliperId: idSchema.nullable(),
  scaleId: idSchema.nullable(),
}

const skips = errorText(say('fields.skips'), say('fields.sitesReasonEachLeftOut'))
const girths = errorText(say('fields.girths'), say('fields.girthsYes'))
const changedConditions = errorText(
  say('fields.conditions'),
  say('fields.conditionsWhatChosenNull'),
)

/**
 * What changes in a check-in. Each part is named by itself (one choice, one site, one girth, one condition), so that
 * what two windows changed apart goes together.
 */
export const checkInChangeSchema = z.strictObject({
  /** The revision that the change was made on: what was changed since then is not changed unseen. */
  revision: integerBetween(say('fields.revision'), 0, 1_000_000),
  /** The window that changes it: what it changed itself is no collision. */
  window: idSchema.optional(),
  ...z.object({ ...choices, measuredOn: pastDateSchema(say('fields.measured')) }).partial().shape,
  skips: z.partialRecord(siteIdSchema, reasonSchema.nullable(), skips).optional(),
  extraGirths: z.partialRecord(girthIdSchema, yesOrNo(say('fields.girth')), girths).optional(),
  conditions: z
    .strictObject(
      Object.fromEntries(
        Object.entries(conditionShape).map(([id, schema]) => [id, schema.nullable()]),
      ) as { [K in keyof typeof conditionShape]: z.ZodNullable<(typeof conditionShape)[K]> },
      changedConditions,
    )
    .partial()
    .optional(),
})
export type CheckInChange = z.output<typeof checkInChangeSchema>

export const checkInSchema = z.object({
  ...choices,
  id: idSchema,
  clientId: idSchema,
  ownProtocol: keptProtocolSchema.nullable(),
  tolerance: toleranceSchema.nullable(),
  measuredOn: isoDateSchema,
  startedAt: z.string(),
  closedAt: z.string().nullable(),
  fromPaper: z.boolean(),
  skipped: skippedSchema,
  extraGirths: z.array(girthIdSchema),
  conditions: conditionsSchema,
  /** How often its choices were changed: the higher one is the newer. */
  revision: z.number().int(),
  voided: z.object({ at: z.string(), reason: z.string() }).nullable(),
  /** The height in force on its day, besides one taken in the check-in itself. */
  heightCm: z.number().nullable(),
})
export type CheckIn = z.infer<typeof checkInSchema>

/** Units that people type, by what is measured. */
export const TYPED_UNITS = ['mm', 'cm', 'm', 'in', 'ft in', 'kg', 'lb', 'st lb'] as const

/** One reading as it is on record, in the check-in that it belongs to. */
export const readingSchema = z.object({
  id: z.string(),
  kind: choice(say('fields.kind'), READING_KINDS),
  site: siteIdSchema.nullable(),
  standard: choice(say('fields.landmarkStandard'), LANDMARK_STANDARDS).nullable(),
  // A browser may have kept one from before there were techniques.
  technique: z.string().nullable().default(null),
  trial: z.number(),
  value: z.number(),
  typedUnit: z.enum(TYPED_UNITS),
  typedText: z.string(),
  takenAt: z.string(),
  supersedes: z.string().nullable(),
  /** Who took it and with what, as it was when it was typed. */
  testerId: z.string(),
  instrumentId: z.string().nullable(),
  /** What a result adds to it. A browser may have kept one from before anything was corrected. */
  correctedBy: z.number().nullable().default(null),
  /** What sent it, by its name; null for what a hand has typed. */
  sentBy: z.string().nullable().default(null),
})
export type ReadingRecord = z.infer<typeof readingSchema>

/** One reading as it is sent. The id is made by the client, so that sending it twice stores it once. */
export const newReadingSchema = z
  .object({
    id: idSchema,
    checkInId: idSchema,
    kind: choice(say('fields.kind'), READING_KINDS),
    site: siteIdSchema.nullable(),
    standard: choice(say('fields.landmarkStandard'), LANDMARK_STANDARDS).nullable(),
    /** How the site was found or held, where that was not the standard's own way. */
    technique: requiredText(say('fields.waySite'), 200).nullable().default(null),
    /** 0 for a first reading that is thrown away. */
    trial: integerBetween(say('fields.pass'), 0, 9),
    value: numberIn(say('fields.value'), 0.1, 1000),
    typedUnit: choice(say('fields.unit'), TYPED_UNITS),
    typedText: requiredText(say('fields.typed'), 40),
    takenAt: pastInstantSchema(say('fields.taken')),
    supersedes: idSchema.nullable(),
    /** Who took it and with what, as it was when it was typed. */
    testerId: idSchema,
    instrumentId: idSchema.nullable(),
    /** What a result adds to it, by the newest check of its instrument. */
    correctedBy: numberIn(say('fields.correction'), -5, 5).nullable().default(null),
    /** What sent it, by its name; null for what a hand has typed. */
    sentBy: requiredText(say('fields.device'), 80).nullable().default(null),
    /** Typed into a check-in that was known to be closed. */
    repair: yesOrNo(say('fields.repair')).optional(),
  })
  .superRefine((reading, context) => {
    const { kind, site, standard, technique, value, typedText } = reading
    const bare = site === null && standard === null && technique === null
    const fits = {
      skinfold: site !== null && isSkinfold(site) && standard !== null,
      girth: site !== null && isGirth(site) && standard === null,
      breadth: site !== null && isBreadth(site) && standard === null,
      length: site !== null && isLength(site) && standard === null,
      mass: bare,
      height: bare,
    }[kind]
    if (!fits) {
      context.addIssue(issueOf(say('fields.siteFoldNamesSiteLandmark'), ['site']))
      return
    }
    const { hardLow, hardHigh } = limitsOf(site ?? (kind === 'height' ? 'height' : 'mass'))
    if (!(value >= hardLow && value <= hardHigh)) {
      const label = site
        ? nameOf(site)
        : kind === 'height'
          ? say('fields.height')
          : say('fields.bodyMass')
      const unit = { skinfold: 'mm', mass: 'kg', other: 'cm' }[
        kind === 'skinfold' || kind === 'mass' ? kind : 'other'
      ]
      const accepted = say('fields.toUnit', { low: hardLow, high: hardHigh, unit })
      context.addIssue(issueOf(refusal(label, typedText, accepted), ['value']))
    }
  })
export type NewReading = z.output<typeof newReadingSchema>

const batch = errorText(say('fields.readings'), say('fields.list1500Readings'))

/** A batch from a screen's outbox: each reading is judged on its own, so that one refused stops none. */
export const readingBatchSchema = z.object({
  readings: z.array(z.unknown(), batch).min(1, batch).max(500, batch),
})

/** Why a reading was not stored: a value that is refused, or what stands in the way. */
const REFUSALS = [
  'refused',
  'other-check-in',
  'id-taken',
  'superseded-unknown',
  'superseded-already',
  'closed',
  'voided',
  'unknown-tester',
  'unknown-instrument',
] as const

export const readingReceiptSchema = z.object({
  stored: z.array(z.string()),
  refused: z.array(z.object({ id: z.string(), code: z.enum(REFUSALS), message: z.string() })),
})
export type ReadingReceipt = z.infer<typeof readingReceiptSchema>

export const checkInWithReadingsSchema = checkInSchema.extend({
  readings: z.array(readingSchema),
})
export type CheckInWithReadings = z.infer<typeof checkInWithReadingsSchema>

/** Each tester's own repeat error, by tester and site. */
export const ownErrorsSchema = z.record(
  z.string(),
  z.partialRecord(siteIdSchema, z.object({ tem: z.number(), pairs: z.number() })),
)

/**
 * What the check-in screen needs: itself, the person, what errors are judged by, and the closed check-ins before it,
 * newest first: the latest ones and the very first.
 */
export const checkInViewSchema = z.object({
  checkIn: checkInWithReadingsSchema,
  client: clientSchema,
  earlier: z.array(checkInWithReadingsSchema),
  screening: screeningSchema.nullable(),
  siteNotes: z.array(siteNoteSchema),
  gym: gymSchema,
  ownErrors: ownErrorsSchema,
  /** Of the weeks that end on its check-ins. */
  weighIns: z.array(weighInSchema),
  /** Days on which a plan in force or a marked phase began; what a browser kept before has none. */
  phaseStarts: z.array(isoDateSchema).default([]),
})
export type CheckInView = z.infer<typeof checkInViewSchema>

/** What the caller's view needs: no screening, no percentages, nothing that a bystander should not read. */
export const callerViewSchema = z.object({
  checkIn: checkInWithReadingsSchema.omit({ conditions: true, consent: true, heightCm: true }),
  client: clientSchema.pick({ name: true, sex: true }),
  siteNotes: z.array(siteNoteSchema),
})
export type CallerView = z.infer<typeof callerViewSchema>

const reason = requiredText(say('fields.reason'), 200)

export const voidSchema = z.object({ reason })
export const moveSchema = z.object({ clientId: idSchema, reason })
