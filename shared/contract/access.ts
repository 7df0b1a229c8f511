import { say } from '../../core/index'
import { COACHES_SEE, ROLES, type Role } from '../access'
import { choice, idSchema, requiredText } from './fields'
import { errorText } from './problems'
import { z } from './zod'

/** Shorter ones are found by trying. */
const SHORTEST_PASSWORD = 10
const LONGEST_PASSWORD = 128

/** A password somebody chooses: long, and anything else they like. */
export const newPasswordSchema = z
  .string()
  .refine(
    (typed) => typed.length >= SHORTEST_PASSWORD && typed.length <= LONGEST_PASSWORD,
    errorText(say('fields.password'), say('fields.passwordLength', { least: SHORTEST_PASSWORD })),
  )

/** A password that somebody says they have. */
const givenPasswordSchema = z
  .string()
  .refine(
    (typed) => typed.length > 0 && typed.length <= LONGEST_PASSWORD,
    errorText(say('fields.password'), say('fields.yourPassword')),
  )

const nameSchema = requiredText(say('fields.signInName'), 60)
const deviceSchema = requiredText(say('fields.device'), 60)

/** What a page has to know of who sits before it. */
export const meSchema = z.object({
  /** Whether people sign in here at all. */
  signIn: z.boolean(),
  /** Null for nobody, until they sign in. */
  me: z
    .object({
      name: z.string(),
      role: z.enum(ROLES),
      userId: z.string().nullable(),
      personId: z.string().nullable(),
      ownOnly: z.boolean(),
    })
    .nullable(),
})
export type Me = z.infer<typeof meSchema>

export const signInSchema = z.strictObject({ name: nameSchema, password: givenPasswordSchema })

/** The first password of this installation: its owner's. */
export const ownerSchema = z.strictObject({ name: nameSchema, password: newPasswordSchema })

export const passwordChangeSchema = z.strictObject({
  current: givenPasswordSchema,
  password: newPasswordSchema,
})

/** Who works here. Clients have a page of their own, to which their coach invites them. */
const STAFF = ['owner', 'coach', 'assistant'] as const satisfies readonly Role[]
const staffSchema = choice(say('fields.role'), STAFF)

export const newAccountSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  role: staffSchema,
  personId: idSchema.nullable(),
  password: newPasswordSchema,
})
export type NewAccount = z.infer<typeof newAccountSchema>

export const accountChangeSchema = z
  .strictObject({
    role: staffSchema,
    personId: idSchema.nullable(),
    password: newPasswordSchema,
  })
  .partial()
export type AccountChange = z.infer<typeof accountChangeSchema>

export const deviceNameSchema = z.strictObject({ device: deviceSchema })

const sessionSchema = z.object({
  id: z.string(),
  /** What its owner calls it; null where nobody has. */
  device: z.string().nullable(),
  /** What the browser says of itself. */
  browser: z.string().nullable(),
  address: z.string().nullable(),
  since: z.iso.datetime({ offset: true }),
  seenAt: z.iso.datetime({ offset: true }),
  /** The one that asks. */
  here: z.boolean(),
})

export const accessSchema = z.object({
  coachesSee: z.enum(COACHES_SEE),
  accounts: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      role: z.enum(ROLES),
      personId: z.string().nullable(),
      sessions: z.array(sessionSchema),
    }),
  ),
})
export type Access = z.infer<typeof accessSchema>

export const accessChangeSchema = z
  .strictObject({ coachesSee: choice(say('fields.coachesSee'), COACHES_SEE) })
  .partial()

/** Whose client somebody is; null for everybody's. */
export const assignSchema = z.strictObject({ coachId: idSchema.nullable() })

const eventSchema = z.object({
  at: z.iso.datetime({ offset: true }),
  who: z.string(),
  device: z.string().nullable(),
  /** The name of a route, or what was done to an account. */
  what: z.string(),
  client: z.object({ id: z.string(), name: z.string() }).nullable(),
})

export const eventsQuerySchema = z.object({
  client: idSchema.optional(),
  user: z.string().max(60).optional(),
  page: z.coerce.number().int().min(1).max(10_000).default(1),
})
export type EventsQuery = z.infer<typeof eventsQuerySchema>
export const eventsSchema = z.object({
  page: z.number(),
  total: z.number(),
  events: z.array(eventSchema),
})
export type Events = z.infer<typeof eventsSchema>

/** The door for phones: where they come in, and what they know this computer by. */
export const phonesSchema = z.object({
  open: z.boolean(),
  addresses: z.array(z.string()),
  /** SHA-256 of the certificate that a phone warns about, and of the one that it may trust; null while it is shut. */
  fingerprint: z.string().nullable(),
  rootFingerprint: z.string().nullable(),
})
export type Phones = z.infer<typeof phonesSchema>
export const phonesChangeSchema = z.strictObject({ open: z.boolean() })

/** Whose device is to be let in, and what it is called from then on. */
export const newPairingSchema = z.strictObject({
  userId: requiredText(say('fields.account'), 60),
  device: deviceSchema,
})
/** What a device is shown: good once, and for some minutes. */
export const pairingSchema = z.object({
  code: z.string(),
  /** Pages to open on the device, one for each network that this computer is in. */
  addresses: z.array(z.string()),
  until: z.iso.datetime({ offset: true }),
})
export type Pairing = z.infer<typeof pairingSchema>
export const pairSchema = z.strictObject({ code: requiredText(say('fields.pairingCode'), 60) })

/** Whom a check-in is open for: all that somebody who types along has to know. */
export const openCheckInsSchema = z.array(
  z.object({ id: z.string(), name: z.string(), startedAt: z.iso.datetime({ offset: true }) }),
)
