import { leaderboards } from '#shared/contract/routes/leaderboards'
import { defineApi } from '../../http/define-api'
import { findWall } from '../../leaderboards/wall'

export default defineApi(leaderboards.wall, ({ db, event, params: { key } }) =>
  findWall(db, event, key),
)
