import { checkIns } from '#shared/contract/routes/check-ins'
import { moveCheckIn } from '../../../check-ins/commands'
import { checkInOr404 } from '../../../check-ins/queries'
import { announce } from '../../../events/live'
import { defineApi } from '../../../http/define-api'

/** Moves a check-in that was taken under the wrong name. */
export default defineApi(checkIns.move, async ({ db, params: { id }, body, actor }) => {
  await moveCheckIn(db, id, body, actor)
  announce(db, id)
  return checkInOr404(db, id)
})
