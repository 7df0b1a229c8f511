import { listGroups } from '../../repositories/groups'
import { defineApi } from '../../utils/api'

export default defineApi((_event, db) => listGroups(db))
