import { checkIns } from '#shared/contract/routes/check-ins'
import { voidCheckIn } from '../../../check-ins/commands'
import { checkInOr404 } from '../../../check-ins/queries'
import { announce } from '../../../events/live'
import { defineApi } from '../../../http/define-api'

/** Sets a check-in aside with a reason; it stays on record. */
export default defineApi(checkIns.void, async ({ db, params: { id }, body, actor }) => {
  await voidCheckIn(db, id, body.reason, actor)
  announce(db, id)
  return checkInOr404(db, id)
})
