import { coachFormSchema } from '#shared/gym'
import { findGym, saveCoach } from '../../../repositories/gym'
import { bodyOf, defineApi } from '../../../utils/api'
import { todayHere } from '../../../utils/today'

export default defineApi(async (event, db) => {
  await saveCoach(db, await bodyOf(event, coachFormSchema))
  return findGym(db, todayHere())
})
