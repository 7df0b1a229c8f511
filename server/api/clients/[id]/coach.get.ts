import { access } from '#shared/contract/routes/access'
import { coachOf } from '../../../clients/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(access.coach, async ({ db, params: { id } }) => ({
  coachId: await coachOf(db, id),
}))
