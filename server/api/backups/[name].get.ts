import { createReadStream } from 'node:fs'
import { sendStream, setResponseHeaders } from 'h3'
import { backups } from '#shared/contract/routes/backups'
import { backupFile } from '../../archive/backups'
import { backedUpFolder } from '../../archive/desk'
import { defineApi } from '../../http/define-api'

export default defineApi(backups.file, ({ event, db, params: { name } }) => {
  const path = backupFile(backedUpFolder(db), name)
  setResponseHeaders(event, {
    'content-type': 'application/octet-stream',
    'content-disposition': `attachment; filename="oak-pinch-${name}"`,
    'cache-control': 'private, no-store',
    'x-content-type-options': 'nosniff',
  })
  return sendStream(event, createReadStream(path))
})
