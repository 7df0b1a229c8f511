import { sql } from 'drizzle-orm'
import { access } from '#shared/contract/routes/access'
import { defineApi } from '../http/define-api'

export default defineApi(access.health, async ({ db }) => {
  await db.execute(sql`select 1`)
  return { status: 'ok' as const }
})
