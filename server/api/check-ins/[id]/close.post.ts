import { checkIns } from '#shared/contract/routes/check-ins'
import { closeCheckIn } from '../../../check-ins/commands'
import { checkInOr404 } from '../../../check-ins/queries'
import { announce } from '../../../events/live'
import { defineApi } from '../../../http/define-api'

export default defineApi(checkIns.close, async ({ db, params: { id } }) => {
  await closeCheckIn(db, id, new Date())
  announce(db, id)
  return checkInOr404(db, id)
})
