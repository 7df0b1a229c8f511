import { checkIns } from '#shared/contract/routes/check-ins'
import { voidCheckIn } from '../../../check-ins/commands'
import { checkInOr404 } from '../../../check-ins/queries'
import { announce } from '../../../events/live'
import { defineApi } from '../../../http/define-api'

/** Restores a voided check-in. */
export default defineApi(checkIns.restore, async ({ db, params: { id }, actor }) => {
  await voidCheckIn(db, id, null, actor)
  announce(db, id)
  return checkInOr404(db, id)
})
