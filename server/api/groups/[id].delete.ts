import { listGroups, removeGroup } from '../../repositories/groups'
import { defineApi, idOf } from '../../utils/api'

/** Removes a group; its clients and their check-ins stay. */
export default defineApi(async (event, db) => {
  await removeGroup(db, idOf(event))
  return listGroups(db)
})
