import { leaderboards } from '#shared/contract/routes/leaderboards'
import { removeLeaderboard } from '../../leaderboards/commands'
import { listLeaderboards } from '../../leaderboards/queries'
import { defineApi } from '../../http/define-api'

export default defineApi(leaderboards.remove, async ({ db, params }) => {
  await removeLeaderboard(db, params.id)
  return listLeaderboards(db)
})
