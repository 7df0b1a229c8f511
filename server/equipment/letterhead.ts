import { eq } from 'drizzle-orm'
import { withoutMetadata, type PictureType } from '#core'
import type { Connection, Database } from '../database/driver'
import { settings } from '../database/schema'
import type { Letterhead } from '../reports/paper'

/* The gym's name, how to reach it and its picture, as they stand on paper. */

const ONE_ROW = 1

export async function letterheadOf(db: Connection): Promise<Letterhead> {
  const [row] = await db
    .select({ name: settings.gymName, contact: settings.gymContact, logo: settings.gymLogo })
    .from(settings)
  return row!
}

/** Keeps the gym's picture, freed of what is written into it beside the picture. @throws InputError naming `photo` */
export async function keepLogo(db: Database, bytes: Uint8Array, type: PictureType): Promise<void> {
  const plain = Buffer.from(withoutMetadata(bytes, type)).toString('base64')
  await db
    .update(settings)
    .set({ gymLogo: `data:${type};base64,${plain}` })
    .where(eq(settings.id, ONE_ROW))
}

export async function removeLogo(db: Database): Promise<void> {
  await db.update(settings).set({ gymLogo: null }).where(eq(settings.id, ONE_ROW))
}
