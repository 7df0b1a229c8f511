import { leaderboards } from '#shared/contract/routes/leaderboards'
import { defineApi } from '../../../http/define-api'
import { closeLeaderboard } from '../../../leaderboards/commands'
import { findBoard } from '../../../leaderboards/queries'

export default defineApi(leaderboards.close, async ({ db, params: { id }, today, actor }) => {
  await closeLeaderboard(db, id, { today, closedBy: actor })
  return findBoard(db, id)
})
