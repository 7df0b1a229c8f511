import { z } from 'zod'
import { BOARD_MEASURES, refusal } from '../core'
import { idSchema, isoDateSchema, pastDateSchema } from './ids'
import { choice, numberIn, refused, requiredText } from './problems'

/** One body mass of one day, kg. */
export const weighInSchema = z.object({ date: isoDateSchema, kg: z.number() })

export const EVENT_KINDS = ['phase', 'holiday', 'injury', 'illness', 'other'] as const

export const clientNoteFormSchema = z.object({
  date: isoDateSchema,
  kind: choice('Kind', EVENT_KINDS),
  words: requiredText('Note', 80),
})
export type ClientNoteForm = z.output<typeof clientNoteFormSchema>

export const clientNoteSchema = clientNoteFormSchema.extend({ id: idSchema })
export type ClientNote = z.infer<typeof clientNoteSchema>

export const PHOTO_VIEWS = ['front', 'side', 'back'] as const

/** Pictures that are taken in: what a browser makes after it has drawn the picture anew. */
export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const

/** Longest side of a kept picture, pixels. */
export const LONGEST_SIDE = 1600
export const LARGEST_PHOTO_BYTES = 8_000_000

const share = numberIn('Point', 0, 1)
export const pointSchema = z.object({ x: share, y: share }, refused('Point', 'x and y from 0 to 1'))
export type PhotoPoint = z.infer<typeof pointSchema>

const size = refused('Size', `1 to ${LONGEST_SIDE} pixels a side`)
const pixels = z.coerce.number(size).int(size).min(1, size).max(LONGEST_SIDE, size)

/** What goes with a picture that is sent. */
export const newPhotoSchema = z.object({
  view: choice('View', PHOTO_VIEWS),
  takenOn: pastDateSchema('Taken on'),
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
    error: ({ input }) => refusal('Floor', input, 'a point below the crown'),
    path: ['floor'],
  })

const groupFields = {
  name: requiredText('Name', 60),
  startsOn: isoDateSchema,
  endsOn: isoDateSchema,
  measure: choice('Ranked by', BOARD_MEASURES),
}

const members = refused('Members', 'a list of up to 500 clients')
export const leaderboardFormSchema = z
  .object({ ...groupFields, clientIds: z.array(idSchema, members).max(500, members) })
  .refine(({ startsOn, endsOn }) => startsOn < endsOn, {
    error: ({ input }) =>
      refusal('Last day', (input as { endsOn: string }).endsOn, 'a day after the first'),
    path: ['endsOn'],
  })
export type LeaderboardForm = z.output<typeof leaderboardFormSchema>

export const leaderboardSchema = z.object({ ...groupFields, id: idSchema, members: z.number() })
export type Leaderboard = z.infer<typeof leaderboardSchema>

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
  group: leaderboardSchema,
  lines: z.array(boardLineSchema),
  /** Who is not ranked, and why, in words. */
  unranked: z.array(z.object({ name: z.string(), why: z.string() })),
  memberIds: z.array(idSchema),
})
export type Board = z.infer<typeof boardSchema>
