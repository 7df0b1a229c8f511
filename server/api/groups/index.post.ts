import { setResponseStatus } from 'h3'
import { groupFormSchema } from '#shared/tracking'
import { findGroup, saveGroup } from '../../repositories/groups'
import { bodyOf, defineApi } from '../../utils/api'

export default defineApi(async (event, db) => {
  const id = await saveGroup(db, await bodyOf(event, groupFormSchema))
  setResponseStatus(event, 201)
  return findGroup(db, id!)
})
