import { listLeaderboards, removeLeaderboard } from '../../repositories/leaderboards'
import { defineApi, idOf } from '../../utils/api'

/** Removes a group; its clients and their check-ins stay. */
export default defineApi(async (event, db) => {
  await removeLeaderboard(db, idOf(event))
  return listLeaderboards(db)
})
