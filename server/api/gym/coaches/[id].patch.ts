import { coachFormSchema } from '#shared/gym'
import { findGym, saveCoach } from '../../../repositories/gym'
import { bodyOf, defineApi, idOf, NotFound } from '../../../utils/api'
import { todayHere } from '../../../utils/today'

export default defineApi(async (event, db) => {
  if (!(await saveCoach(db, await bodyOf(event, coachFormSchema), idOf(event)))) {
    throw new NotFound('No such tester.')
  }
  return findGym(db, todayHere())
})
