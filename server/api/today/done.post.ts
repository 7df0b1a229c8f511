import { today } from '#shared/contract/routes/today'
import { clientOr404 } from '../../clients/queries'
import { defineApi } from '../../http/define-api'
import { setDone } from '../../today/commands'

export default defineApi(today.done, async ({ db, body }) => {
  await clientOr404(db, body.clientId)
  await setDone(db, body)
  return { done: body.done }
})
