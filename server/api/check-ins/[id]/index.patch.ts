import { checkIns } from '#shared/contract/routes/check-ins'
import { changeCheckIn } from '../../../check-ins/change'
import { checkInOr404 } from '../../../check-ins/queries'
import { announce } from '../../../events/live'
import { defineApi } from '../../../http/define-api'

export default defineApi(checkIns.change, async ({ db, params: { id }, body, actor }) => {
  await changeCheckIn(db, id, body, actor)
  announce(db, id)
  return checkInOr404(db, id)
})
