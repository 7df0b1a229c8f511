import { leaderboards } from '#shared/contract/routes/leaderboards'
import { addLeaderboard } from '../../leaderboards/commands'
import { leaderboardOr404 } from '../../leaderboards/queries'
import { defineApi } from '../../http/define-api'

export default defineApi(leaderboards.add, async ({ db, body }) => {
  await addLeaderboard(db, body)
  return leaderboardOr404(db, body.id)
})
