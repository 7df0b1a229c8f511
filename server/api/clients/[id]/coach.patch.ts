import { access } from '#shared/contract/routes/access'
import { assignCoach } from '../../../clients/commands'
import { defineApi } from '../../../http/define-api'

export default defineApi(
  access.assign,
  async ({ db, params: { id }, body: { coachId }, actor }) => ({
    coachId: await assignCoach(db, id, coachId, actor),
  }),
)
