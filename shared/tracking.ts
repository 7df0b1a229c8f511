import { z } from 'zod'
import { BOARD_MEASURES } from '../core'
import { idSchema, isoDateSchema } from './ids'

/** One body mass of one day, kg. */
export const weighInSchema = z.object({ date: isoDateSchema, kg: z.number() })

export const EVENT_KINDS = ['phase', 'holiday', 'injury', 'illness', 'other'] as const

export const eventFormSchema = z.object({
  date: isoDateSchema,
  kind: z.enum(EVENT_KINDS, { error: `Kind: accepted are ${EVENT_KINDS.join(', ')}.` }),
  words: z
    .string({ error: 'Note: is missing. Accepted: a few words.' })
    .trim()
    .min(1, 'Note: is missing. Accepted: a few words.')
    .max(80, 'Note: is too long. Accepted: up to 80 characters.'),
})
export type EventForm = z.output<typeof eventFormSchema>

export const clientEventSchema = eventFormSchema.extend({ id: idSchema })
export type ClientEvent = z.infer<typeof clientEventSchema>

export const PHOTO_VIEWS = ['front', 'side', 'back'] as const

/** Pictures that are taken in: what a browser makes after it has drawn the picture anew. */
export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const

/** Longest side of a kept picture, pixels. */
export const LONGEST_SIDE = 1600
export const LARGEST_PHOTO_BYTES = 8_000_000

const share = z
  .number({ error: 'Point: accepted is a share from 0 to 1.' })
  .min(0, 'Point: accepted is a share from 0 to 1.')
  .max(1, 'Point: accepted is a share from 0 to 1.')
export const pointSchema = z.object({ x: share, y: share })
export type PhotoPoint = z.infer<typeof pointSchema>

const pixels = z.coerce
  .number({ error: 'Size: accepted is a number of pixels.' })
  .int()
  .min(1)
  .max(LONGEST_SIDE, `Size: accepted is up to ${LONGEST_SIDE} pixels a side.`)

/** What goes with a picture that is sent. */
export const newPhotoSchema = z.object({
  view: z.enum(PHOTO_VIEWS, { error: `View: accepted are ${PHOTO_VIEWS.join(', ')}.` }),
  takenOn: isoDateSchema,
  width: pixels,
  height: pixels,
})
export type NewPhoto = z.output<typeof newPhotoSchema>

export const photoSchema = z.object({
  id: idSchema,
  view: z.enum(PHOTO_VIEWS),
  takenOn: isoDateSchema,
  width: z.number(),
  height: z.number(),
  crown: pointSchema.nullable(),
  floor: pointSchema.nullable(),
})
export type Photo = z.infer<typeof photoSchema>

/** The two points by which pictures are laid over one another. */
export const photoPointsSchema = z
  .object({ crown: pointSchema.nullable(), floor: pointSchema.nullable() })
  .refine(({ crown, floor }) => !crown || !floor || floor.y - crown.y > 0.05, {
    error: 'Floor: accepted is a point below the crown.',
    path: ['floor'],
  })

const groupFields = {
  name: z
    .string({ error: 'Name: is missing. Accepted: 1 to 60 characters.' })
    .trim()
    .min(1, 'Name: is missing. Accepted: 1 to 60 characters.')
    .max(60, 'Name: is too long. Accepted: 1 to 60 characters.'),
  startsOn: isoDateSchema,
  endsOn: isoDateSchema,
  measure: z.enum(BOARD_MEASURES, {
    error: `Ranked by: accepted are ${BOARD_MEASURES.join(', ')}.`,
  }),
}

export const groupFormSchema = z
  .object({ ...groupFields, clientIds: z.array(idSchema).max(500) })
  .refine(({ startsOn, endsOn }) => startsOn < endsOn, {
    error: 'Last day: accepted is a day after the first.',
    path: ['endsOn'],
  })
export type GroupForm = z.output<typeof groupFormSchema>

export const groupSchema = z.object({ ...groupFields, id: idSchema, members: z.number() })
export type Group = z.infer<typeof groupSchema>

/** A line of a board. A hidden name is null, and then there is no client to go to. */
export const boardLineSchema = z.object({
  clientId: idSchema.nullable(),
  name: z.string().nullable(),
  place: z.number(),
  tied: z.boolean(),
  change: z.number(),
  standardError: z.number(),
  from: isoDateSchema,
  to: isoDateSchema,
})
export type BoardLine = z.infer<typeof boardLineSchema>

export const boardSchema = z.object({
  group: groupSchema,
  lines: z.array(boardLineSchema),
  /** Who is not ranked, and why, in words. */
  unranked: z.array(z.object({ name: z.string(), why: z.string() })),
  memberIds: z.array(idSchema),
})
export type Board = z.infer<typeof boardSchema>
