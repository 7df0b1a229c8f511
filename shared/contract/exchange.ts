import {
  isMessage,
  isSkinfold,
  LANDMARK_STANDARDS,
  limitsOf,
  type Message,
  say,
  SAFETY_OUTCOMES,
  kindOfSite,
  READING_KINDS,
  CONVERSION_IDS,
  INSTRUMENT_KINDS,
} from '../../core/index'
import { CLIENT_NOTE_KINDS, JAWS, SKIP_REASONS } from './choices'
import { conditionsSchema, TYPED_UNITS } from './check-ins'
import { appointmentFormSchema, detailsChangeSchema, sessionNoteFormSchema } from './client-side'
import { groupTermSchema, screeningSchema, siteNoteSchema } from './clients'
import { consentSchema, keptProtocolSchema, protocolIdSchema, toleranceSchema } from './equipment'
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
import { clearanceSchema, planDefinitionSchema } from './plans'
import { girthIdSchema, siteIdSchema } from './sites'
import { otherResultFormSchema } from './other-results'
import { z } from './zod'

/*
 * A record as a file of JSON: what is handed out, what is brought in, and what every other format is read into. Numbers
 * are in millimeters, centimeters and kilograms; days are ISO 8601. docs/record-exchange.schema.json is made of it.
 */

export const EXCHANGE_FORMAT = 'oak-pinch-exchange'
export const EXCHANGE_VERSION = 1

const named = (longest: number) => requiredText(say('fields.name'), longest)
const instant = pastInstantSchema(say('fields.taken'))
const typedUnit = choice(say('fields.unit'), TYPED_UNITS)
const typedText = requiredText(say('fields.typed'), 40)
const standard = choice(say('fields.landmarkStandard'), LANDMARK_STANDARDS)

/** Where in a file something stood that was brought in. */
const sourceSchema = z.object({
  sheet: freeText(say('fields.sheetName'), 200),
  row: integerBetween(say('fields.rowInFile'), 1, 10_000_000),
})
const source = sourceSchema.nullable().default(null)

export const exchangePersonSchema = z.object({
  id: idSchema,
  name: named(60),
  skill: choice(say('fields.experience'), ['trained', 'novice']).default('trained'),
  retired: yesOrNo(say('fields.retired')).default(false),
})
export type ExchangePerson = z.output<typeof exchangePersonSchema>

export const exchangeInstrumentSchema = z.object({
  id: idSchema,
  kind: choice(say('fields.kind'), INSTRUMENT_KINDS),
  name: named(60),
  graduation: numberIn(say('fields.graduation'), 0.01, 5).nullable().default(null),
  jaws: choice(say('fields.jaws'), JAWS).nullable().default(null),
  checkEveryDays: integerBetween(say('fields.daysBetweenChecks'), 1, 1000).default(180),
  retired: yesOrNo(say('fields.retired')).default(false),
  checks: z
    .array(
      z.object({
        id: idSchema,
        checkedOn: isoDateSchema,
        points: z
          .array(z.object({ known: z.number().positive(), read: z.number().min(0) }))
          .max(20),
      }),
    )
    .default([]),
})
export type ExchangeInstrument = z.output<typeof exchangeInstrumentSchema>

const reading = z
  .object({
    id: idSchema,
    kind: choice(say('fields.kind'), READING_KINDS),
    site: siteIdSchema.nullable().default(null),
    standard: standard.nullable().default(null),
    technique: requiredText(say('fields.waySite'), 200).nullable().default(null),
    trial: integerBetween(say('fields.pass'), 0, 9),
    value: numberIn(say('fields.value'), 0.1, 1000),
    typedUnit,
    typedText,
    takenAt: instant,
    supersedes: idSchema.nullable().default(null),
    tester: idSchema,
    instrument: idSchema.nullable().default(null),
    /** What a result adds to it, by the check of its instrument. */
    correctedBy: numberIn(say('fields.correction'), -5, 5).nullable().default(null),
    /** What sent it, by its name; null for what a hand has typed. */
    sentBy: requiredText(say('fields.device'), 80).nullable().default(null),
    source,
  })
  .refine(
    ({ kind, site, standard: of, technique, value }) => {
      const { hardLow, hardHigh } = limitsOf(
        site ?? (kind === 'height' ? ('height' as const) : ('mass' as const)),
      )
      if (!(value >= hardLow && value <= hardHigh)) return false
      if (kind === 'skinfold') return site !== null && isSkinfold(site) && of !== null
      if (kind !== 'mass' && kind !== 'height')
        return site !== null && kindOfSite(site) === kind && of === null
      return site === null && of === null && technique === null
    },
    { error: 'refused' },
  )

const amount = {
  date: pastDateSchema(say('fields.measured')),
  typedUnit,
  typedText,
  source,
}

export const exchangeCheckInSchema = z.object({
  id: idSchema,
  measuredOn: pastDateSchema(say('fields.measured')),
  startedAt: instant,
  closedAt: instant.nullable(),
  fromPaper: yesOrNo(say('fields.paper')).default(false),
  voided: z
    .object({ at: instant, reason: requiredText(say('fields.reason'), 200) })
    .nullable()
    .default(null),
  tester: idSchema,
  caliper: idSchema.nullable().default(null),
  tape: idSchema.nullable().default(null),
  boneCaliper: idSchema.nullable().default(null),
  scale: idSchema.nullable().default(null),
  protocol: protocolIdSchema,
  ownProtocol: keptProtocolSchema.nullable().default(null),
  tolerance: toleranceSchema.nullable().default(null),
  conversion: choice(say('fields.conversion'), CONVERSION_IDS).default('siri'),
  consent: consentSchema.nullable().default(null),
  massDry: yesOrNo(say('fields.massDry')).nullable().default(null),
  skipped: z
    .array(z.object({ site: siteIdSchema, reason: choice(say('fields.reason'), SKIP_REASONS) }))
    .default([]),
  extraGirths: z.array(girthIdSchema).default([]),
  conditions: conditionsSchema.default({}),
  readings: z.array(reading).max(2000),
  source,
})
export type ExchangeCheckIn = z.output<typeof exchangeCheckInSchema>

const message = z.custom<Message>(
  (value) => typeof value === 'object' && value !== null && isMessage(value),
  { error: 'refused' },
)

const planSchema = z.object({
  id: idSchema,
  startedOn: isoDateSchema,
  definition: planDefinitionSchema,
  madeBy: requiredText(say('fields.made'), 80).nullable().default(null),
  changes: idSchema.nullable().default(null),
  findings: z
    .array(
      z.object({
        rule: z.string().max(80),
        outcome: z.enum(SAFETY_OUTCOMES).exclude(['ok']),
        words: message,
        who: message,
        clearedBy: clearanceSchema.optional(),
      }),
    )
    .default([]),
  refused: yesOrNo(say('fields.retired')).default(false),
  createdAt: instant,
  replacedAt: instant.nullable().default(null),
})

/** A client with everything that is kept of them but pictures. */
export const exchangeClientSchema = z.object({
  id: idSchema,
  name: named(80),
  sex: choice(say('fields.sexUsedEquations'), ['male', 'female']),
  birthDate: isoDateSchema.nullable().default(null),
  birthYear: integerBetween(say('fields.yearBirth'), 1900, 2199).nullable().default(null),
  cadenceDays: integerBetween(say('fields.daysBetweenCheckIns'), 1, 365).default(28),
  showPercentages: yesOrNo(say('fields.percentages')).default(true),
  cycleWanted: yesOrNo(say('fields.cyclePhase')).default(false),
  groupTerm: groupTermSchema.nullable().default(null),
  hiddenOnLeaderboards: yesOrNo(say('fields.nameHiddenLeaderboards')).default(false),
  weekEndsOn: integerBetween(say('fields.weekEnds0Monday'), 0, 6).nullable().default(null),
  nextDueOn: isoDateSchema.nullable().default(null),
  archived: yesOrNo(say('fields.archived')).default(false),
  heights: z
    .array(z.object({ id: idSchema, cm: numberIn(say('fields.height'), 30, 300), ...amount }))
    .default([]),
  screenings: z.array(screeningSchema.extend({ id: idSchema })).default([]),
  siteNotes: z.array(siteNoteSchema.extend({ id: idSchema })).default([]),
  checkIns: z.array(exchangeCheckInSchema).default([]),
  /** In the order in which they were entered: the last one of a day counts, and one without a mass takes it back. */
  weighIns: z
    .array(
      z.object({
        ...amount,
        id: idSchema,
        kg: numberIn(say('fields.bodyMass'), 1, 999).nullable(),
        typedUnit: z.union([typedUnit, z.literal('')]),
        typedText: z.union([typedText, z.literal('')]),
      }),
    )
    .default([]),
  notes: z
    .array(
      z.object({
        id: idSchema,
        date: isoDateSchema,
        kind: choice(say('fields.kind'), CLIENT_NOTE_KINDS),
        words: requiredText(say('fields.note'), 80),
      }),
    )
    .default([]),
  plans: z.array(planSchema).default([]),
  clearances: z.array(clearanceSchema.extend({ id: idSchema })).default([]),
  /** How they are reached, what they want and what they see; null where nothing of it was ever written down. */
  details: detailsChangeSchema.omit({ tags: true }).nullable().default(null),
  tags: detailsChangeSchema.shape.tags.unwrap().default([]),
  sessionNotes: z
    .array(sessionNoteFormSchema.extend({ writtenBy: z.string().max(120) }))
    .default([]),
  appointments: z.array(appointmentFormSchema).default([]),
  /** What other methods than the folds said. */
  otherResults: z.array(otherResultFormSchema).default([]),
  /** Girths that they took of themselves and the coach accepted, in the order in which they were entered. */
  selfGirths: z
    .array(
      z.object({
        ...amount,
        id: idSchema,
        girth: girthIdSchema,
        trial: integerBetween(say('fields.trial'), 1, 9),
        cm: numberIn(say('fields.girth'), 1, 999),
      }),
    )
    .default([]),
})
export type ExchangeClient = z.output<typeof exchangeClientSchema>

const ownProtocols = z.array(keptProtocolSchema).default([])

/** What stands once for all clients of a file. */
export const exchangeGymSchema = z.object({
  people: z.array(exchangePersonSchema).default([]),
  instruments: z.array(exchangeInstrumentSchema).default([]),
  ownProtocols,
})
export type ExchangeGym = z.output<typeof exchangeGymSchema>

/** The whole file. */
export const exchangeSchema = z.object({
  format: z.literal(EXCHANGE_FORMAT),
  version: z.literal(EXCHANGE_VERSION),
  exportedAt: z.iso.datetime({ offset: true }),
  ...exchangeGymSchema.shape,
  clients: z.array(exchangeClientSchema),
})
export type Exchange = z.output<typeof exchangeSchema>
