import { instrumentFormSchema } from '#shared/gym'
import { findGym, saveInstrument } from '../../../../repositories/gym'
import { bodyOf, defineApi, idOf, NotFound } from '../../../../utils/api'
import { todayHere } from '../../../../utils/today'

export default defineApi(async (event, db) => {
  if (!(await saveInstrument(db, await bodyOf(event, instrumentFormSchema), idOf(event)))) {
    throw new NotFound('No such instrument.')
  }
  return findGym(db, todayHere())
})
