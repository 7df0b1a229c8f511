import { leaderboards } from '#shared/contract/routes/leaderboards'
import { listLeaderboards } from '../../leaderboards/queries'
import { defineApi } from '../../http/define-api'

export default defineApi(leaderboards.list, ({ db }) => listLeaderboards(db))
