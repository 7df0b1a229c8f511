import { access } from '#shared/contract/routes/access'
import { listOpenCheckIns } from '../check-ins/queries'
import { defineApi } from '../http/define-api'

export default defineApi(access.openCheckIns, ({ db, coach }) => listOpenCheckIns(db, coach))
