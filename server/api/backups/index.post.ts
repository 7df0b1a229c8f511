import { backups } from '#shared/contract/routes/backups'
import { makeBackup } from '../../archive/backups'
import { backedUpFolder, viewBackups } from '../../archive/desk'
import { defineApi } from '../../http/define-api'

export default defineApi(backups.make, async ({ db }) => {
  await makeBackup(db, backedUpFolder(db), 'asked')
  return viewBackups(db)
})
