import { groupFormSchema } from '#shared/tracking'
import { saveGroup } from '../../repositories/groups'
import { bodyOf, defineApi, idOf, NotFound } from '../../utils/api'
import { boardOf } from '../../utils/board'

export default defineApi(async (event, db) => {
  const id = idOf(event)
  if (!(await saveGroup(db, await bodyOf(event, groupFormSchema), id))) {
    throw new NotFound('No such group.')
  }
  return boardOf(db, id)
})
