import { listLeaderboards } from '../../repositories/leaderboards'
import { defineApi } from '../../utils/api'

export default defineApi((_event, db) => listLeaderboards(db))
