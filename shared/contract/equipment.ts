import { JAWS } from './choices'
import { z } from './zod'
import {
  InputError,
  LANDMARK_STANDARDS,
  readOwnProtocol,
  TRIAL_ORDERS,
  TRIAL_VALUES,
  upgradedOwnProtocol,
  type OwnProtocol,
  say,
  INSTRUMENT_KINDS,
} from '../../core/index'
import {
  above0,
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
import { errorText, issueOf, problemsOf } from './problems'
import { girthIdSchema, siteIdSchema, skinfoldIdSchema, boneIdSchema } from './sites'

export const protocolIdSchema = requiredText(say('fields.protocol'), 60)

const skillSchema = choice(say('fields.experience'), ['trained', 'novice'])

/** Somebody who measures: a tester in the words of the trade. */
export const testerSchema = z.object({
  id: idSchema,
  name: z.string(),
  skill: skillSchema,
  retired: z.boolean(),
})
export type Tester = z.infer<typeof testerSchema>

export const testerFormSchema = z.object({
  id: idSchema,
  name: requiredText(say('fields.name'), 60),
  skill: skillSchema,
  retired: yesOrNo(say('fields.retired')).default(false),
})
export type TesterForm = z.output<typeof testerFormSchema>

const points = errorText(say('fields.points'), say('fields.one20EachWhatKnown'))
const read = errorText(say('fields.read'), say('fields.n01000'))
const checkPointSchema = z.object(
  {
    known: above0(say('fields.known'), 1000),
    read: z.number(read).min(0, read).max(1000, read),
  },
  points,
)

export const instrumentCheckFormSchema = z.object({
  id: idSchema,
  checkedOn: pastDateSchema(say('fields.checked')),
  /** Of a caliper's jaws, g/mm². */
  closingForce: numberIn(say('fields.closingForce'), 1, 30).nullable().default(null),
  points: z.array(checkPointSchema, points).min(1, points).max(20, points),
})
export type InstrumentCheckForm = z.output<typeof instrumentCheckFormSchema>

/** What a closed caliper, or an empty scale, reads. */
export const zeroCheckSchema = z.object({
  id: idSchema,
  read: numberIn(say('fields.read'), -20, 20),
})
export type ZeroCheck = z.output<typeof zeroCheckSchema>

const instrumentCheckSchema = z.object({
  checkedOn: isoDateSchema,
  // A browser may have kept one from before that was asked.
  closingForce: z.number().nullable().default(null),
  points: z.array(z.object({ known: z.number(), read: z.number() })),
})

const graduation = errorText(say('fields.graduation'), say('fields.n0015'))

export const instrumentFormSchema = z.object({
  id: idSchema,
  kind: choice(say('fields.kind'), INSTRUMENT_KINDS),
  name: requiredText(say('fields.name'), 60),
  graduation: z.number(graduation).min(0.01, graduation).max(5, graduation).nullable(),
  jaws: choice(say('fields.jaws'), JAWS).nullable(),
  checkEveryDays: integerBetween(say('fields.daysBetweenChecks'), 1, 1000),
  retired: yesOrNo(say('fields.retired')).default(false),
})
export type InstrumentForm = z.output<typeof instrumentFormSchema>

export const instrumentSchema = instrumentFormSchema.extend({
  id: idSchema,
  name: z.string(),
  /** Results put its readings right by its newest check. */
  isCorrected: z.boolean().default(false),
  /** Newest first. */
  checks: z.array(instrumentCheckSchema),
  /** The newest look at what it reads closed or empty. */
  zero: z.object({ on: isoDateSchema, read: z.number() }).nullable().default(null),
})
export type Instrument = z.infer<typeof instrumentSchema>

export const toleranceSchema = z.union(
  [
    z.object({ kind: z.enum(['mm', 'cm']), value: z.number().min(0.1).max(20) }),
    z.object({
      kind: z.literal('percent'),
      value: z.number().min(0.1).max(50),
      atLeast: z.number().min(0.1).max(20).optional(),
    }),
  ],
  errorText(say('fields.tolerance'), say('fields.n0120MmCm')),
)

export const settingsSchema = z.object({
  defaultProtocolId: protocolIdSchema,
  standard: choice(say('fields.landmarkStandard'), LANDMARK_STANDARDS),
  /** For folds, in place of each set's own. */
  tolerance: toleranceSchema.nullable(),
  testerId: idSchema.nullable(),
  caliperId: idSchema.nullable(),
  tapeId: idSchema.nullable(),
  boneCaliperId: idSchema.nullable(),
  scaleId: idSchema.nullable(),
  /** What stands on pages on paper. */
  gymName: freeText(say('fields.gymName'), 80),
  gymContact: freeText(say('fields.gymContact'), 200),
})
export type Settings = z.infer<typeof settingsSchema>

/** Somebody always measures: the tester in use may be another, but not nobody. */
export const settingsChangeSchema = z
  .strictObject({ ...settingsSchema.shape, testerId: idSchema })
  .partial()
export type SettingsChange = z.infer<typeof settingsChangeSchema>

const ownName = requiredText(say('fields.name'), 60)
const siteName = requiredText(say('fields.nameSite'), 40)
const siteLandmark = requiredText(say('fields.whereSiteLies'), 200)

/** A protocol of the coach's own, refused in the core's words. */
export const ownProtocolSchema = z.unknown().transform((sent, context): OwnProtocol => {
  try {
    const own = readOwnProtocol(sent)
    const wording = Object.entries(own.wording).map(([site, words = {}]) => [
      siteIdSchema.parse(site),
      {
        ...words,
        ...(words.name === undefined ? {} : { name: siteName.parse(words.name) }),
        ...(words.landmark === undefined ? {} : { landmark: siteLandmark.parse(words.landmark) }),
      },
    ])
    return {
      ...own,
      name: ownName.parse(own.name),
      folds: own.folds.map((site) => skinfoldIdSchema.parse(site)),
      girths: own.girths.map((site) => girthIdSchema.parse(site)),
      ...(own.bones ? { bones: own.bones.map((site) => boneIdSchema.parse(site)) } : {}),
      wording: Object.fromEntries(wording) as OwnProtocol['wording'],
    }
  } catch (error) {
    if (error instanceof InputError) {
      context.addIssue(issueOf(error, error.input.split('.')))
    } else if (error instanceof z.ZodError) {
      const { message } = problemsOf(error)[0]!
      context.addIssue(issueOf(message, ['name']))
    } else throw error
    return z.NEVER
  }
})

const trialSchemeSchema = z.object({
  order: z.enum(TRIAL_ORDERS),
  count: z.number(),
  most: z.number(),
  tolerance: toleranceSchema,
  value: z.enum(TRIAL_VALUES),
  dropsFirst: z.boolean(),
})

const keptProtocol = z.object({
  id: z.string(),
  name: z.string(),
  standard: z.enum(LANDMARK_STANDARDS),
  folds: z.array(skinfoldIdSchema),
  girths: z.array(girthIdSchema),
  // A set that was kept before there were any has none.
  bones: z.array(boneIdSchema).optional(),
  foldTrials: trialSchemeSchema,
  girthTrials: trialSchemeSchema,
  readingDelaySeconds: z.number().nullable(),
  wording: z.partialRecord(
    siteIdSchema,
    z.object({
      name: z.string().optional(),
      landmark: z.string().optional(),
      technique: z.string().optional(),
    }),
  ),
})

/** One that is on record already, or that a browser kept from before a set had its own trials. */
export const keptProtocolSchema = z.preprocess(upgradedOwnProtocol, keptProtocol)

/** Everything that is the gym's and not a client's. */
/** What the gym's own records tell of its errors. */
export const ownFiguresSchema = z.object({
  technical: z.number(),
  session: z.number(),
  massKg: z.number(),
})

export const gymSchema = z.object({
  today: isoDateSchema,
  testers: z.array(testerSchema),
  instruments: z.array(instrumentSchema),
  ownProtocols: z.array(keptProtocolSchema),
  settings: settingsSchema,
  /** A picture stands on pages on paper. */
  hasLogo: z.boolean(),
  /** Null while its records are too few; what a browser kept before has none. */
  figures: z
    .object({
      own: ownFiguresSchema,
      people: z.number(),
      checkIns: z.number(),
      fittedOn: isoDateSchema,
    })
    .nullable()
    .default(null),
})
export type Gym = z.infer<typeof gymSchema>

/** Who agreed to be measured, and when. */
export const consentSchema = z.object({
  by: choice(say('fields.consent'), ['client', 'guardian']),
  at: pastInstantSchema(say('fields.consent2')),
})
export type Consent = z.infer<typeof consentSchema>
