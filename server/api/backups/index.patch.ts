import { backups } from '#shared/contract/routes/backups'
import { changeBackupSettings, viewBackups } from '../../archive/desk'
import { defineApi } from '../../http/define-api'

export default defineApi(backups.change, async ({ db, body }) => {
  await changeBackupSettings(db, body)
  return viewBackups(db)
})
