import { z } from 'zod'
import { ownProtocol, SCHOOLS, type Hand, type OwnProtocol } from '../core'
import { idSchema, isoDateSchema } from './ids'

const nameSchema = (label: string) =>
  z
    .string({ error: `${label}: is missing. Accepted: 1 to 60 characters.` })
    .trim()
    .min(1, `${label}: is missing. Accepted: 1 to 60 characters.`)
    .max(60, `${label}: is too long. Accepted: 1 to 60 characters.`)

export const protocolIdSchema = z.string({ error: 'Protocol: is missing.' }).min(1).max(60)

const skillSchema = z.enum(['trained', 'novice'], {
  error: 'Hand: accepted are trained and novice.',
})

/** Somebody who measures: a tester in the words of the trade. */
export const coachSchema = z.object({
  id: idSchema,
  name: z.string(),
  skill: skillSchema,
  retired: z.boolean(),
})
export type Coach = z.infer<typeof coachSchema>

export const coachFormSchema = z.object({
  name: nameSchema('Name'),
  skill: skillSchema,
  retired: z.boolean().default(false),
})
export type CoachForm = z.output<typeof coachFormSchema>

const positive = (label: string) =>
  z
    .number({ error: `${label}: accepted is a number above 0.` })
    .positive(`${label}: accepted is a number above 0.`)

export const checkPointSchema = z.object({
  known: positive('Known'),
  read: z.number({ error: 'Read: accepted is a number.' }).min(0, 'Read: accepted is 0 or more.'),
})
export type CheckPoint = z.infer<typeof checkPointSchema>

export const instrumentCheckSchema = z.object({
  checkedOn: isoDateSchema,
  points: z.array(checkPointSchema).min(1, 'Points: accepted is one or more.').max(20),
})
export type InstrumentCheck = z.infer<typeof instrumentCheckSchema>

const kindSchema = z.enum(['caliper', 'tape', 'scale'], {
  error: 'Kind: accepted are caliper, tape and scale.',
})

/** How a caliper's jaws are pressed. */
export const JAWS = ['spring', 'hand', 'click'] as const
export const JAW_NAMES: Record<(typeof JAWS)[number], string> = {
  spring: 'held by a spring',
  hand: 'squeezed by hand',
  click: 'pressed until it clicks',
}

const days = 'Days between checks: accepted is a whole number from 1 to 1000.'

export const instrumentFormSchema = z.object({
  kind: kindSchema,
  name: nameSchema('Name'),
  graduation: positive('Graduation').max(5, 'Graduation: accepted is up to 5.').nullable(),
  jaws: z.enum(JAWS, { error: `Jaws: accepted are ${JAWS.join(', ')}.` }).nullable(),
  checkEveryDays: z.number({ error: days }).int(days).min(1, days).max(1000, days),
  retired: z.boolean().default(false),
})
export type InstrumentForm = z.output<typeof instrumentFormSchema>

export const instrumentSchema = instrumentFormSchema.extend({
  id: idSchema,
  name: z.string(),
  /** Newest first. */
  checks: z.array(instrumentCheckSchema),
})
export type Instrument = z.infer<typeof instrumentSchema>

export const toleranceSchema = z.union([
  z.object({ kind: z.enum(['mm', 'cm']), value: z.number().positive() }),
  z.object({
    kind: z.literal('percent'),
    value: z.number().positive(),
    atLeast: z.number().positive().optional(),
  }),
])

export const settingsSchema = z.object({
  defaultProtocolId: protocolIdSchema,
  school: z.enum(SCHOOLS, { error: `School: accepted are ${SCHOOLS.join(', ')}.` }),
  /** For folds, in place of each set's own. */
  tolerance: toleranceSchema.nullable(),
  coachId: idSchema.nullable(),
  caliperId: idSchema.nullable(),
  tapeId: idSchema.nullable(),
  scaleId: idSchema.nullable(),
})
export type Settings = z.infer<typeof settingsSchema>

export const settingsChangeSchema = settingsSchema.partial()
export type SettingsChange = z.infer<typeof settingsChangeSchema>

/** A set of the coach's own, refused in the core's words. */
export const ownProtocolSchema = z.unknown().transform((sent, context): OwnProtocol => {
  try {
    ownProtocol(sent as OwnProtocol)
    return sent as OwnProtocol
  } catch (error) {
    const { message, input } = error as { message: string; input?: string }
    context.addIssue({ code: 'custom', message, path: [input ?? ''] })
    return z.NEVER
  }
})

/** Everything that is the gym's and not a client's. */
export const gymSchema = z.object({
  today: isoDateSchema,
  coaches: z.array(coachSchema),
  instruments: z.array(instrumentSchema),
  ownProtocols: z.array(ownProtocolSchema),
  settings: settingsSchema,
})
export type Gym = z.infer<typeof gymSchema>

/** Who agreed to be measured, and when. */
export const consentSchema = z.object({
  by: z.enum(['client', 'guardian'], { error: 'Consent: accepted are client and guardian.' }),
  at: z.string(),
})
export type Consent = z.infer<typeof consentSchema>

/** What a hand is made of, besides the tester's own error. */
interface HandParts {
  coaches: readonly Pick<Coach, 'id' | 'skill'>[]
  instruments: readonly Pick<Instrument, 'id' | 'graduation' | 'jaws'>[]
}

/**
 * Who measures and with what, for the size of the error: the tester's skill, the graduation of caliper and tape, and
 * how the jaws are pressed.
 *
 * @param ownErrors the tester's own error, where it is known
 */
export function handWith(
  { coaches, instruments }: HandParts,
  tools: { coachId: string; caliperId: string | null; tapeId: string | null },
  ownErrors: Hand['ownErrors'] = {},
): Hand {
  const caliper = instruments.find(({ id }) => id === tools.caliperId)
  const tape = instruments.find(({ id }) => id === tools.tapeId)
  return {
    skill: coaches.find(({ id }) => id === tools.coachId)?.skill ?? 'trained',
    ownErrors,
    graduation: {
      ...(caliper?.graduation ? { mm: caliper.graduation } : {}),
      ...(tape?.graduation ? { cm: tape.graduation } : {}),
    },
    handSqueezed: caliper?.jaws === 'hand',
  }
}
