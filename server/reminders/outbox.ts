import { readFile, readdir } from 'node:fs/promises'
import { join } from 'node:path'
import { say } from '#core'
import { outboxSchema } from '#shared/contract/reminders'
import { notFound } from '../http/errors'

/** Where the demo's stand-in for a mail server puts what it was given. */
export const outboxFolder = (): string | undefined => process.env.OAK_PINCH_OUTBOX || undefined

/** What the stand-in was given, the latest first. @throws Refusal 404 where mail goes to a real server, or nowhere */
export async function listOutbox() {
  const folder = outboxFolder()
  if (!folder) throw notFound(say('api.noOutbox'))
  const names = (await readdir(folder).catch(() => [])).filter((name) => name.endsWith('.json'))
  const mails = await Promise.all(
    names.map(async (name) => JSON.parse(await readFile(join(folder, name), 'utf8')) as unknown),
  )
  return outboxSchema.parse(mails).sort((a, b) => b.at.localeCompare(a.at))
}
