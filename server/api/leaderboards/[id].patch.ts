import { leaderboards } from '#shared/contract/routes/leaderboards'
import { changeLeaderboard } from '../../leaderboards/commands'
import { findBoard } from '../../leaderboards/queries'
import { defineApi } from '../../http/define-api'

export default defineApi(leaderboards.change, async ({ db, params: { id }, body }) => {
  await changeLeaderboard(db, id, body)
  return findBoard(db, id)
})
