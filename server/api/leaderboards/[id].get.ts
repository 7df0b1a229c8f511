import { leaderboards } from '#shared/contract/routes/leaderboards'
import { findBoard } from '../../leaderboards/queries'
import { defineApi } from '../../http/define-api'

export default defineApi(leaderboards.view, ({ db, params }) => findBoard(db, params.id))
