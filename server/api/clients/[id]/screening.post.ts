import { screeningAnswersSchema } from '#shared/clients'
import { addScreening, findScreening } from '../../../repositories/clients'
import { bodyOf, defineApi, idOf } from '../../../utils/api'
import { clientOr404 } from '../../../utils/check-in'
import { todayHere } from '../../../utils/today'

export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  const answers = await bodyOf(event, screeningAnswersSchema)
  await addScreening(db, id, { answers, reviewedOn: todayHere() })
  return findScreening(db, id)
})
