import { leaderboards } from '#shared/contract/routes/leaderboards'
import { defineApi } from '../../../http/define-api'
import { findBoard } from '../../../leaderboards/queries'
import { hangOnWall } from '../../../leaderboards/wall'

export default defineApi(leaderboards.hang, async ({ db, event, params: { id }, body }) => ({
  addresses: await hangOnWall(db, event, { leaderboardId: id, ...body }),
  board: await findBoard(db, id),
}))
