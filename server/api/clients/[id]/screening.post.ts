import { clients } from '#shared/contract/routes/clients'
import { addScreening } from '../../../clients/commands'
import { clientOr404, findScreening } from '../../../clients/queries'
import { defineApi } from '../../../http/define-api'

export default defineApi(clients.screen, async ({ db, params: { id: clientId }, body, today }) => {
  await clientOr404(db, clientId)
  const { id, ...answers } = body
  await addScreening(db, clientId, id, { answers, reviewedOn: today })
  return (await findScreening(db, clientId))!
})
