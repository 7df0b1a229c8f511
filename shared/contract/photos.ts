import { LONGEST_SIDE, PHOTO_VIEWS } from './choices'
import { z } from './zod'
import { say } from '../../core/index'
import { choice, idSchema, isoDateSchema, numberIn, pastDateSchema } from './fields'
import { errorText } from './problems'

/** Pictures that are taken in: what a browser makes after it has drawn the picture anew. */
export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const

export const LARGEST_PHOTO_BYTES = 8_000_000

const share = numberIn(say('fields.point'), 0, 1)
export const pointSchema = z.object(
  { x: share, y: share },
  errorText(say('fields.point'), say('fields.xY01')),
)
export type PhotoPoint = z.infer<typeof pointSchema>

const size = errorText(
  say('fields.size'),
  say('fields.n1PixelsSide', { longestSide: LONGEST_SIDE }),
)
const pixels = z.coerce.number(size).int(size).min(1, size).max(LONGEST_SIDE, size)

/** What goes with a picture that is sent. */
export const newPhotoSchema = z.object({
  id: idSchema,
  view: choice(say('fields.view'), PHOTO_VIEWS),
  takenOn: pastDateSchema(say('fields.taken2')),
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
    ...errorText(say('fields.groundPoint'), say('fields.pointBelowCrown')),
    path: ['groundPoint'],
  })
