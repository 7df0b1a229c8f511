import { leaderboards } from '#shared/contract/routes/leaderboards'
import { defineApi } from '../../../http/define-api'
import { reopenLeaderboard } from '../../../leaderboards/commands'
import { findBoard } from '../../../leaderboards/queries'

export default defineApi(leaderboards.reopen, async ({ db, params: { id } }) => {
  await reopenLeaderboard(db, id)
  return findBoard(db, id)
})
