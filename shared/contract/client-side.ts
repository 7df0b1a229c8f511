import { z } from './zod'
import { say } from '../../core/index'
import { PHOTO_VIEWS, SHARED } from './choices'
import {
  choice,
  freeText,
  idSchema,
  integerBetween,
  isoDateSchema,
  requiredText,
  yesOrNo,
} from './fields'
import { errorText } from './problems'
import { reportAsksSchema, reportGirthSchema, reportTalkSchema } from './weekly-reports'

const MOST_TAGS = 20
const email = errorText(say('fields.email'), say('fields.emailAddress'))
const phone = errorText(say('fields.phone'), say('fields.phoneNumber'))
const orNull = (text: string) => (text === '' ? null : text)
const tags = errorText(say('fields.tags'), say('fields.upToTags', { most: MOST_TAGS }))

/** What a coach keeps of a client besides the record; what is not named stays. */
export const detailsChangeSchema = z
  .strictObject({
    email: z
      .union([z.literal('').transform(() => null), z.email(email).max(200, email)], email)
      .nullable(),
    phone: z
      .string(phone)
      .trim()
      .regex(/^$|^\+?[\d\s()./-]{4,30}$/, phone)
      .transform(orNull)
      .nullable(),
    goal: freeText(say('fields.goalWords'), 500, true).transform(orNull).nullable(),
    tags: z
      .array(requiredText(say('fields.tag'), 40), tags)
      .max(MOST_TAGS, tags)
      .transform((list) => [...new Set(list)].sort()),
    sees: choice(say('fields.sees'), SHARED),
    seesClasses: yesOrNo(say('fields.classNames')),
    asks: reportAsksSchema.nullable(),
    mailStopped: yesOrNo(say('fields.mailStopped')),
  })
  .partial()
export type DetailsChange = z.output<typeof detailsChangeSchema>

export const sessionNoteFormSchema = z.object({
  id: idSchema,
  date: isoDateSchema,
  words: freeText(say('fields.note'), 4000, true).refine(
    (words) => words !== '',
    errorText(say('fields.note'), say('fields.n1Characters', { longest: 4000 })),
  ),
})
export type SessionNoteForm = z.output<typeof sessionNoteFormSchema>

const startsAt = errorText(say('fields.startsAt'), say('fields.dayAndTime'))
export const appointmentFormSchema = z.object({
  id: idSchema,
  startsAt: z.iso.datetime({ offset: true, ...startsAt }),
  minutes: integerBetween(say('fields.minutes'), 5, 720),
  words: freeText(say('fields.note'), 200),
})
export type AppointmentForm = z.output<typeof appointmentFormSchema>

const sessionNoteSchema = z.object({
  id: idSchema,
  date: isoDateSchema,
  words: z.string(),
  writtenBy: z.string(),
})
const appointmentSchema = z.object({
  id: idSchema,
  startsAt: z.string(),
  minutes: z.number(),
  words: z.string(),
})

const linkSchema = z.object({
  id: idSchema,
  createdAt: z.string(),
  createdBy: z.string(),
  expiresAt: z.string(),
  usedAt: z.string().nullable(),
  /** Browsers that came by it and are signed in. */
  devices: z.number(),
})

export const clientDetailsSchema = z.object({
  email: z.string().nullable(),
  phone: z.string().nullable(),
  goal: z.string().nullable(),
  tags: z.array(z.string()),
  sees: z.enum(SHARED),
  seesClasses: z.boolean(),
  asks: reportAsksSchema.nullable(),
  /** Whether reminders by mail were stopped, by the client or for them. */
  mailStopped: z.boolean(),
  notes: z.array(sessionNoteSchema),
  appointments: z.array(appointmentSchema),
  links: z.array(linkSchema),
  /** Tags that others have. */
  knownTags: z.array(z.string()),
  /** False where nobody outside this computer can come in. */
  reachable: z.boolean(),
})
export type ClientDetails = z.output<typeof clientDetailsSchema>

const days = integerBetween(say('fields.days'), 1, 366)
export const newLinkSchema = z.object({ id: idSchema, days })
export const madeLinkSchema = z.object({
  /** The address with the key, this once, by each name that the installation has. */
  addresses: z.array(z.string()),
  expiresAt: z.string(),
})
export type MadeLink = z.output<typeof madeLinkSchema>

/** What somebody has who comes by a link. */
export const openLinkSchema = z.object({
  key: requiredText(say('fields.key'), 100),
  /** Asked for on a phone that has not been here. */
  birthYear: integerBetween(say('fields.yearBirth'), 1900, 2199).nullable().default(null),
})

/** What a client sees of their record: words and figures in the reader's language, and one picture. */
export const sharedStorySchema = z.object({
  head: z.string(),
  lead: z.string(),
  /** SVG. */
  picture: z.object({ svg: z.string(), alt: z.string(), caption: z.string() }).nullable(),
  columns: z.array(z.string()),
  rows: z.array(z.array(z.string())),
  /** Of each view the first photo and the last one. */
  photos: z.array(z.object({ id: idSchema, view: z.enum(PHOTO_VIEWS), takenOn: isoDateSchema })),
  /** What to do this week. */
  next: z.array(z.string()),
  small: z.string(),
})
export type SharedStory = z.output<typeof sharedStorySchema>

/** A client's own page. */
export const myPageSchema = z.object({
  firstName: z.string(),
  gym: z.string(),
  coach: z.string(),
  sex: z.enum(['female', 'male']),
  story: sharedStorySchema.nullable(),
  asks: reportAsksSchema.nullable(),
  /** What the tape read last time. */
  lastGirths: z.array(reportGirthSchema.pick({ girth: true, cm: true })),
  /** Own notes on where the tape goes. */
  siteNotes: z.array(
    z.object({ site: z.string(), text: z.string(), side: z.enum(['right', 'left']) }),
  ),
  /** The photo of each view that was accepted last, for its outline. */
  photos: z.array(z.object({ id: idSchema, view: z.string(), takenOn: isoDateSchema })),
  reports: z.array(
    z.object({
      id: idSchema,
      endsOn: isoDateSchema,
      state: z.enum(['waiting', 'accepted', 'set aside']),
      talk: z.array(reportTalkSchema),
    }),
  ),
})
export type MyPage = z.output<typeof myPageSchema>

/** The units that somebody's screen shows. */
export const screenUnitsSchema = z.object({
  mass: choice(say('fields.unit'), ['kg', 'lb']).default('kg'),
  length: choice(say('fields.unit'), ['cm', 'in']).default('cm'),
})
