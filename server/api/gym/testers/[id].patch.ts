import { testerFormSchema } from '#shared/gym'
import { findGym, saveTester } from '../../../repositories/gym'
import { bodyOf, defineApi, idOf, NotFound } from '../../../utils/api'
import { todayHere } from '../../../utils/today'

export default defineApi(async (event, db) => {
  if (!(await saveTester(db, await bodyOf(event, testerFormSchema), idOf(event)))) {
    throw new NotFound('No such tester.')
  }
  return findGym(db, todayHere())
})
