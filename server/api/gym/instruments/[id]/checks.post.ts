import { instrumentCheckSchema } from '#shared/gym'
import { addInstrumentCheck, findGym } from '../../../../repositories/gym'
import { bodyOf, defineApi, idOf, NotFound } from '../../../../utils/api'
import { todayHere } from '../../../../utils/today'

export default defineApi(async (event, db) => {
  if (!(await addInstrumentCheck(db, idOf(event), await bodyOf(event, instrumentCheckSchema)))) {
    throw new NotFound('No such instrument.')
  }
  return findGym(db, todayHere())
})
