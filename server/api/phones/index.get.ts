import { access } from '#shared/contract/routes/access'
import { defineApi } from '../../http/define-api'
import { phonesNow } from '../../network/door'

export default defineApi(access.phones, async () => phonesNow())
