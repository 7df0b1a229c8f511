import { details } from '#shared/contract/routes/client-side'
import { cancelAppointment, findDetails } from '../../../../client-side/details'
import { defineApi } from '../../../../http/define-api'

export default defineApi(details.cancelAppointment, async ({ db, params: { id, part }, coach }) => {
  await cancelAppointment(db, id, part)
  return findDetails(db, id, coach)
})
