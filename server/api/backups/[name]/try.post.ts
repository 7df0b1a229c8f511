import { backups } from '#shared/contract/routes/backups'
import { backedUpFolder, holdsOf } from '../../../archive/desk'
import { tryBackup } from '../../../database/running'
import { defineApi } from '../../../http/define-api'

export default defineApi(backups.tryOut, async ({ db, params: { name }, body }) => {
  backedUpFolder(db)
  return holdsOf(await tryBackup(name, body.passphrase ?? null))
})
