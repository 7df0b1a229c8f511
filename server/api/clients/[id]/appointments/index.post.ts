import { details } from '#shared/contract/routes/client-side'
import { findDetails, keepAppointment } from '../../../../client-side/details'
import { defineApi } from '../../../../http/define-api'

export default defineApi(details.keepAppointment, async ({ db, params: { id }, body, coach }) => {
  await keepAppointment(db, id, body)
  return findDetails(db, id, coach)
})
