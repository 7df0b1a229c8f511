import { markFormSchema } from '#shared/clients'
import { addMark, listMarks } from '../../../repositories/clients'
import { bodyOf, defineApi, idOf } from '../../../utils/api'
import { clientOr404 } from '../../../utils/check-in'

export default defineApi(async (event, db) => {
  const { id } = await clientOr404(db, idOf(event))
  await addMark(db, id, await bodyOf(event, markFormSchema))
  return listMarks(db, id)
})
