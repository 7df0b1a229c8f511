import { checkIns } from '#shared/contract/routes/check-ins'
import { discardCheckIn } from '../../../check-ins/commands'
import { announce } from '../../../events/live'
import { defineApi } from '../../../http/define-api'

/** Throws away a check-in that was started by mistake. */
export default defineApi(checkIns.discard, async ({ db, params: { id } }) => {
  await discardCheckIn(db, id)
  announce(db, id)
  return { discarded: id }
})
