import { studies } from '#shared/contract/routes/studies'
import { defineApi } from '../../../../http/define-api'
import { keepPractice, listPractice } from '../../../../studies/practice'

export default defineApi(studies.keepPractice, async ({ db, params, body, today }) => {
  await keepPractice(db, params.id, body, today)
  return listPractice(db, params.id)
})
