import { leaderboardFormSchema } from '#shared/tracking'
import { saveLeaderboard } from '../../repositories/leaderboards'
import { bodyOf, defineApi, idOf, NotFound } from '../../utils/api'
import { boardOf } from '../../utils/board'

export default defineApi(async (event, db) => {
  const id = idOf(event)
  if (!(await saveLeaderboard(db, await bodyOf(event, leaderboardFormSchema), id))) {
    throw new NotFound('No such group.')
  }
  return boardOf(db, id)
})
