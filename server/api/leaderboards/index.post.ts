import { setResponseStatus } from 'h3'
import { leaderboardFormSchema } from '#shared/tracking'
import { findLeaderboard, saveLeaderboard } from '../../repositories/leaderboards'
import { bodyOf, defineApi } from '../../utils/api'

export default defineApi(async (event, db) => {
  const id = await saveLeaderboard(db, await bodyOf(event, leaderboardFormSchema))
  setResponseStatus(event, 201)
  return findLeaderboard(db, id!)
})
