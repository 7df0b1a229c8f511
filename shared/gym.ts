import { z } from 'zod'
import { ownProtocol, LANDMARK_STANDARDS, type MeasurementSetup, type OwnProtocol } from '../core'
import { idSchema, isoDateSchema, pastDateSchema } from './ids'
import { above0, choice, refused, requiredText, integerBetween, yesOrNo } from './problems'

export const protocolIdSchema = requiredText('Protocol', 60)

const skillSchema = choice('Experience', ['trained', 'novice'])

/** Somebody who measures: a tester in the words of the trade. */
export const testerSchema = z.object({
  id: idSchema,
  name: z.string(),
  skill: skillSchema,
  retired: z.boolean(),
})
export type Tester = z.infer<typeof testerSchema>

export const testerFormSchema = z.object({
  name: requiredText('Name', 60),
  skill: skillSchema,
  retired: yesOrNo('Retired').default(false),
})
export type TesterForm = z.output<typeof testerFormSchema>

const points = refused('Points', 'one to 20, each with what is known and what was read')
const read = refused('Read', '0 or more')
export const checkPointSchema = z.object(
  {
    known: above0('Known'),
    read: z.number(read).min(0, read),
  },
  points,
)
export type CheckPoint = z.infer<typeof checkPointSchema>

export const instrumentCheckSchema = z.object({
  checkedOn: pastDateSchema('Checked on'),
  points: z.array(checkPointSchema, points).min(1, points).max(20, points),
})
export type InstrumentCheck = z.infer<typeof instrumentCheckSchema>

/** How a caliper's jaws are pressed. */
export const JAWS = ['spring', 'hand', 'click'] as const
export const JAW_NAMES: Record<(typeof JAWS)[number], string> = {
  spring: 'held by a spring',
  hand: 'squeezed by hand',
  click: 'pressed until it clicks',
}

const graduation = refused('Graduation', 'above 0 and up to 5')

export const instrumentFormSchema = z.object({
  kind: choice('Kind', ['caliper', 'tape', 'scale']),
  name: requiredText('Name', 60),
  graduation: z.number(graduation).positive(graduation).max(5, graduation).nullable(),
  jaws: choice('Jaws', JAWS).nullable(),
  checkEveryDays: integerBetween('Days between checks', 1, 1000),
  retired: yesOrNo('Retired').default(false),
})
export type InstrumentForm = z.output<typeof instrumentFormSchema>

export const instrumentSchema = instrumentFormSchema.extend({
  id: idSchema,
  name: z.string(),
  /** Newest first. */
  checks: z.array(instrumentCheckSchema),
})
export type Instrument = z.infer<typeof instrumentSchema>

export const toleranceSchema = z.union(
  [
    z.object({ kind: z.enum(['mm', 'cm']), value: z.number().positive() }),
    z.object({
      kind: z.literal('percent'),
      value: z.number().positive(),
      atLeast: z.number().positive().optional(),
    }),
  ],
  refused('Tolerance', 'mm, cm or percent, with a number above 0'),
)

export const settingsSchema = z.object({
  defaultProtocolId: protocolIdSchema,
  standard: choice('Landmark standard', LANDMARK_STANDARDS),
  /** For folds, in place of each set's own. */
  tolerance: toleranceSchema.nullable(),
  testerId: idSchema.nullable(),
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
  testers: z.array(testerSchema),
  instruments: z.array(instrumentSchema),
  ownProtocols: z.array(ownProtocolSchema),
  settings: settingsSchema,
})
export type Gym = z.infer<typeof gymSchema>

/** Who agreed to be measured, and when. */
export const consentSchema = z.object({
  by: choice('Consent', ['client', 'guardian']),
  at: z.string(refused('Time', 'an instant as 2026-03-14T09:30:00Z')),
})
export type Consent = z.infer<typeof consentSchema>

/** What a hand is made of, besides the tester's own error. */
interface SetupParts {
  testers: readonly Pick<Tester, 'id' | 'skill'>[]
  instruments: readonly Pick<Instrument, 'id' | 'graduation' | 'jaws'>[]
}

/**
 * Who measures and with what, for the size of the error: the tester's skill, the graduation of caliper and tape, and
 * how the jaws are pressed.
 *
 * @param ownErrors the tester's own error, where it is known
 */
export function measurementSetupOf(
  { testers, instruments }: SetupParts,
  tools: { testerId: string; caliperId: string | null; tapeId: string | null },
  ownErrors: MeasurementSetup['ownErrors'] = {},
): MeasurementSetup {
  const caliper = instruments.find(({ id }) => id === tools.caliperId)
  const tape = instruments.find(({ id }) => id === tools.tapeId)
  return {
    skill: testers.find(({ id }) => id === tools.testerId)?.skill ?? 'trained',
    ownErrors,
    graduation: {
      ...(caliper?.graduation ? { mm: caliper.graduation } : {}),
      ...(tape?.graduation ? { cm: tape.graduation } : {}),
    },
    handSqueezed: caliper?.jaws === 'hand',
  }
}
