import { asc, eq } from 'drizzle-orm'
import type { H3Event } from 'h3'
import { say } from '#core'
import type { SheetKey } from '#shared/contract/imports'
import { hashOfKey, newKey } from '../access/secret-keys'
import { counted } from '../access/sign-in'
import type { Connection, Database } from '../database/driver'
import { sheetKeys } from '../database/schema'
import { notFound, Refusal } from '../http/errors'

/*
 * Keys for spreadsheets: whoever has one reads the record as values between commas, and does nothing else. The key is
 * shown once; what is kept of it cannot be used.
 */

export async function listSheetKeys(db: Connection): Promise<SheetKey[]> {
  const rows = await db.select().from(sheetKeys).orderBy(asc(sheetKeys.createdAt))
  return rows.map(({ id, name, createdAt, usedAt }) => ({
    ...{ id, name, createdAt: createdAt.toISOString(), usedAt: usedAt?.toISOString() ?? null },
  }))
}

/** Makes a key. @returns it, this once */
export async function addSheetKey(
  db: Database,
  { id, name }: { id: string; name: string },
): Promise<string> {
  const key = newKey()
  const hash = hashOfKey(key)
  // Asked for again after an answer that got lost: the first one was seen by nobody.
  await db
    .insert(sheetKeys)
    .values({ id, name, hash })
    .onConflictDoUpdate({ target: sheetKeys.id, set: { hash } })
  return key
}

/** Takes a key back: it opens nothing from now on. @throws Refusal 404 */
export async function removeSheetKey(db: Database, id: string): Promise<void> {
  const gone = await db.delete(sheetKeys).where(eq(sheetKeys.id, id)).returning()
  if (gone.length === 0) throw notFound(say('api.noSuchKey'))
}

/** @throws Refusal 401 for a key that opens nothing, as often as is allowed, and then 429 */
export const mustOpenSheets = (db: Database, event: H3Event, key: string): Promise<void> =>
  counted(event, undefined, async () => {
    const found = await db
      .update(sheetKeys)
      .set({ usedAt: new Date() })
      .where(eq(sheetKeys.hash, hashOfKey(key)))
      .returning({ id: sheetKeys.id })
    if (found.length === 0)
      throw new Refusal(401, say('api.keyNoMore'), { code: 'key', field: 'key' })
  })
