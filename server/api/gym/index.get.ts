import { gym } from '#shared/contract/routes/equipment'
import { findGym } from '../../equipment/queries'
import { defineApi } from '../../http/define-api'

export default defineApi(gym.view, ({ db, today }) => findGym(db, today))
