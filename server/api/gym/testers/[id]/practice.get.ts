import { studies } from '#shared/contract/routes/studies'
import { defineApi } from '../../../../http/define-api'
import { listPractice } from '../../../../studies/practice'

export default defineApi(studies.practice, ({ db, params }) => listPractice(db, params.id))
