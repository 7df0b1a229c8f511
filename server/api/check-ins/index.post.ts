import { checkIns } from '#shared/contract/routes/check-ins'
import { startCheckIn } from '../../check-ins/commands'
import { checkInOr404 } from '../../check-ins/queries'
import { defineApi } from '../../http/define-api'

export default defineApi(checkIns.start, async ({ db, body }) =>
  checkInOr404(db, await startCheckIn(db, body)),
)
