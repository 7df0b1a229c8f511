import { eq } from 'drizzle-orm'
import { say } from '#core'
import { hashOfKey } from '../access/secret-keys'
import type { Connection, Database } from '../database/driver'
import { clientDetails, mailKeys, mailStops } from '../database/schema'
import { notFound } from '../http/errors'

/*
 * Who wants no more reminders by mail is written down twice: in the record, so that a backup knows it, and beside it, so
 * that no older record brings the mails back.
 */

/**
 * Stops reminders by mail to a client, or lets them go on. Doing either twice is the same.
 *
 * @param tx a transaction
 */
export async function setMailStop(tx: Connection, clientId: string, stop: boolean): Promise<void> {
  const mailStoppedAt = stop ? new Date() : null
  await tx
    .insert(clientDetails)
    .values({ clientId, mailStoppedAt })
    .onConflictDoUpdate({ target: clientDetails.clientId, set: { mailStoppedAt } })
  if (stop) await tx.insert(mailStops).values({ clientId }).onConflictDoNothing()
  else await tx.delete(mailStops).where(eq(mailStops.clientId, clientId))
}

/** The client whom a mail with this key went to. @throws Refusal 404 for a key of no mail */
async function clientOfKey(db: Connection, key: string): Promise<string> {
  const [mail] = await db
    .select({ clientId: mailKeys.clientId })
    .from(mailKeys)
    .where(eq(mailKeys.hash, hashOfKey(key)))
  if (!mail) throw notFound(say('api.noSuchMail'))
  return mail.clientId
}

/** Stops reminders for whoever got the mail with this key, or lets them go on. @throws Refusal 404 */
export async function setMailStopByKey(db: Database, key: string, stop: boolean): Promise<void> {
  await db.transaction(async (tx) => setMailStop(tx, await clientOfKey(tx, key), stop))
}
