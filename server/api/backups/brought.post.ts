import { backups } from '#shared/contract/routes/backups'
import { bringBackup } from '../../archive/backups'
import { backedUpFolder, viewBackups } from '../../archive/desk'
import { defineApi } from '../../http/define-api'

export default defineApi(backups.bring, async ({ db, file }) => {
  await bringBackup(backedUpFolder(db), file.parts)
  return viewBackups(db)
})
