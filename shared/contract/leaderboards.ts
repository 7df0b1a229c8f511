import { z } from './zod'
import { BOARD_MEASURES, say } from '../../core/index'
import { choice, idSchema, isoDateSchema, requiredText, yesOrNo } from './fields'
import { errorText } from './problems'

const leaderboardFields = {
  name: requiredText(say('fields.name'), 60),
  startsOn: isoDateSchema,
  endsOn: isoDateSchema,
  measure: choice(say('fields.ranked'), BOARD_MEASURES),
}

const members = errorText(say('fields.members'), say('fields.listUp500Clients'))
const formFields = { ...leaderboardFields, clientIds: z.array(idSchema, members).max(500, members) }

const ordered = {
  ...errorText(
    say('fields.lastDay'),
    say('fields.dayAfterFirst'),
    (input) => (input as { endsOn: string }).endsOn,
  ),
  path: ['endsOn'],
}
const inOrder = ({ startsOn, endsOn }: { startsOn: string; endsOn: string }) => startsOn < endsOn

export const leaderboardFormSchema = z.object(formFields).refine(inOrder, ordered)
export const newLeaderboardSchema = z
  .object({ ...formFields, id: idSchema })
  .refine(inOrder, ordered)
export type NewLeaderboard = z.output<typeof newLeaderboardSchema>
export type LeaderboardForm = z.output<typeof leaderboardFormSchema>

export const leaderboardSchema = z.object({
  ...leaderboardFields,
  id: idSchema,
  members: z.number(),
  /** When its result was kept, which nothing changes from then on. */
  closedAt: z.string().nullable(),
  closedBy: z.string().nullable(),
})
export type Leaderboard = z.infer<typeof leaderboardSchema>

/** Why some share a place: how many, what lies between them, and what would have to for them to be clearly apart. */
const tieSchema = z.object({ count: z.number(), spread: z.number(), clearFrom: z.number() })

/** A line of a board. A hidden name is null, and then there is no client to go to. */
export const boardLineSchema = z.object({
  clientId: idSchema.nullable(),
  name: z.string().nullable(),
  place: z.number(),
  tie: tieSchema.nullable(),
  change: z.number(),
  standardError: z.number(),
  from: isoDateSchema,
  to: isoDateSchema,
})
export type BoardLine = z.infer<typeof boardLineSchema>

export const boardSchema = z.object({
  leaderboard: leaderboardSchema,
  lines: z.array(boardLineSchema),
  /** Who is not ranked, and why, in words. */
  unranked: z.array(z.object({ name: z.string(), why: z.string() })),
  memberIds: z.array(idSchema),
  /** The link of a screen on the wall, where there is one. */
  wall: z
    .object({ createdAt: z.string(), usedAt: z.string().nullable(), showsFigures: z.boolean() })
    .nullable(),
})
export type Board = z.infer<typeof boardSchema>

/** What a screen on the wall is let show. */
export const wallFormSchema = z.strictObject({ showsFigures: yesOrNo(say('fields.showsFigures')) })
export const madeWallSchema = z.object({
  /** The address with the key, this once, by each name that the installation has. */
  addresses: z.array(z.string()),
  board: boardSchema,
})

/** A board as a screen on the wall shows it: by first names, and without what each changed where that is not wanted. */
export const wallSchema = z.object({
  ...leaderboardFields,
  closedAt: z.string().nullable(),
  lines: z.array(
    z.object({
      /** Null for a hidden one. */
      name: z.string().nullable(),
      place: z.number(),
      tie: tieSchema.pick({ count: true }).nullable(),
      change: z.number().nullable(),
      /** Of the longest bar; negative where it went the other way. */
      share: z.number(),
    }),
  ),
  /** Members who are not ranked yet. */
  unranked: z.number(),
})
export type Wall = z.infer<typeof wallSchema>
