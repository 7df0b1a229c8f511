import { backups } from '#shared/contract/routes/backups'
import { backedUpFolder, holdsOf } from '../../../archive/desk'
import { restoreBackup } from '../../../database/running'
import { defineApi } from '../../../http/define-api'

export default defineApi(backups.restore, async ({ db, params: { name }, body, letGo }) => {
  backedUpFolder(db)
  letGo()
  return holdsOf(await restoreBackup(name, body.passphrase ?? null))
})
