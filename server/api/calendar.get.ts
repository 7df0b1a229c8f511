import { calendar } from '#shared/contract/routes/calendar'
import { listAppointments } from '../client-side/appointments'
import { listDue } from '../clients/queries'
import { defineApi } from '../http/define-api'

export default defineApi(calendar.month, async ({ db, query, today, coach }) => ({
  today,
  entries: await listDue(db, { ...query, coach }),
  appointments: await listAppointments(db, { ...query, coach }),
}))
