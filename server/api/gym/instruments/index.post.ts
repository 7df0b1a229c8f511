import { instrumentFormSchema } from '#shared/gym'
import { findGym, saveInstrument } from '../../../repositories/gym'
import { bodyOf, defineApi } from '../../../utils/api'
import { todayHere } from '../../../utils/today'

export default defineApi(async (event, db) => {
  await saveInstrument(db, await bodyOf(event, instrumentFormSchema))
  return findGym(db, todayHere())
})
