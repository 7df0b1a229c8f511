import { z } from './zod'
import { BOARD_MEASURES, say } from '../../core/index'
import { choice, idSchema, isoDateSchema, requiredText } from './fields'
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
})
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
  leaderboard: leaderboardSchema,
  lines: z.array(boardLineSchema),
  /** Who is not ranked, and why, in words. */
  unranked: z.array(z.object({ name: z.string(), why: z.string() })),
  memberIds: z.array(idSchema),
})
export type Board = z.infer<typeof boardSchema>
