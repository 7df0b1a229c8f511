import { checkInChangeSchema } from '#shared/check-ins'
import { changeCheckIn } from '../../../repositories/check-ins'
import { bodyOf, defineApi, idOf } from '../../../utils/api'
import { checkInOr404 } from '../../../utils/check-in'

export default defineApi(async (event, db) => {
  const { id } = await checkInOr404(db, idOf(event))
  await changeCheckIn(db, id, await bodyOf(event, checkInChangeSchema))
  return checkInOr404(db, id)
})
