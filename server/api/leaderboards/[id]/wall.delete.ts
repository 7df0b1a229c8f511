import { leaderboards } from '#shared/contract/routes/leaderboards'
import { defineApi } from '../../../http/define-api'
import { findBoard } from '../../../leaderboards/queries'
import { takeFromWall } from '../../../leaderboards/wall'

export default defineApi(leaderboards.takeDown, async ({ db, params: { id } }) => {
  await takeFromWall(db, id)
  return findBoard(db, id)
})
