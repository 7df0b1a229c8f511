import { setResponseHeaders } from 'h3'
import { isoDateOf, say } from '#core'
import { sharing } from '#shared/contract/routes/client-side'
import { sharedFile } from '../../../client-side/shared'
import { defineApi } from '../../../http/define-api'
import { notFound } from '../../../http/errors'

export default defineApi(sharing.file, async ({ event, db, params: { id }, query }) => {
  const file = await sharedFile(db, event, id, query)
  if (file === undefined) throw notFound(say('api.nothingShared'))
  setResponseHeaders(event, {
    'content-type': 'text/html; charset=utf-8',
    // Its name says nobody's: files lie about.
    'content-disposition': `attachment; filename="oak-pinch-${isoDateOf(new Date())}.html"`,
    'x-content-type-options': 'nosniff',
  })
  return file
})
