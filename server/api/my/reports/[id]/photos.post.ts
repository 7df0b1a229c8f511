import { my } from '#shared/contract/routes/client-side'
import { ownId } from '../../../../client-side/my-page'
import { mustBeWaiting } from '../../../../client-side/weekly-reports'
import { joined } from '../../../../http/body'
import { defineApi } from '../../../../http/define-api'
import { addPhoto } from '../../../../photos/commands'

export default defineApi(my.addPhoto, async ({ db, asking, params, query, file }) => {
  const clientId = ownId(asking)
  await mustBeWaiting(db, clientId, params.id)
  const { photo: id, ...photo } = query
  const bytes = await joined(file.parts)
  await addPhoto(db, clientId, { ...photo, id, reportId: params.id }, { type: file.type, bytes })
  return { kept: true }
})
