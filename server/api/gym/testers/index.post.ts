import { testerFormSchema } from '#shared/gym'
import { findGym, saveTester } from '../../../repositories/gym'
import { bodyOf, defineApi } from '../../../utils/api'
import { todayHere } from '../../../utils/today'

export default defineApi(async (event, db) => {
  await saveTester(db, await bodyOf(event, testerFormSchema))
  return findGym(db, todayHere())
})
