import { backups } from '#shared/contract/routes/backups'
import { viewBackups } from '../../archive/desk'
import { defineApi } from '../../http/define-api'

export default defineApi(backups.view, ({ db }) => Promise.resolve(viewBackups(db)))
