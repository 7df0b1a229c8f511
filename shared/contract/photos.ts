import { LONGEST_SIDE, PHOTO_VIEWS } from './choices'
import { z } from './zod'
import { refusal } from '../../core/index'
import { choice, idSchema, isoDateSchema, numberIn, pastDateSchema } from './fields'
import { errorText } from './problems'

/** Pictures that are taken in: what a browser makes after it has drawn the picture anew. */
export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const

export const LARGEST_PHOTO_BYTES = 8_000_000

const share = numberIn('Point', 0, 1)
export const pointSchema = z.object(
  { x: share, y: share },
  errorText('Point', 'x and y from 0 to 1'),
)
export type PhotoPoint = z.infer<typeof pointSchema>

const size = errorText('Size', `1 to ${LONGEST_SIDE} pixels a side`)
const pixels = z.coerce.number(size).int(size).min(1, size).max(LONGEST_SIDE, size)

/** What goes with a picture that is sent. */
export const newPhotoSchema = z.object({
  id: idSchema,
  view: choice('View', PHOTO_VIEWS),
  takenOn: pastDateSchema('Taken on'),
  width: pixels,
  height: pixels,
})
export type NewPhoto = z.output<typeof newPhotoSchema>

const points = { crown: pointSchema.nullable(), groundPoint: pointSchema.nullable() }

export const photoSchema = z.object({
  id: idSchema,
  view: z.enum(PHOTO_VIEWS),
  takenOn: isoDateSchema,
  width: z.number(),
  height: z.number(),
  ...points,
})
export type Photo = z.infer<typeof photoSchema>

/** The two points by which pictures are laid over one another. */
export const photoPointsSchema = z
  .object(points)
  .refine(({ crown, groundPoint }) => !crown || !groundPoint || groundPoint.y - crown.y > 0.05, {
    error: ({ input }) => refusal('Ground point', input, 'a point below the crown'),
    path: ['groundPoint'],
  })
