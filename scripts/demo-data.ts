/**
 * `tsx scripts/demo-data.ts FOLDER [--staff]`: the made-up club in a data folder, or on the server of DATABASE_URL, where
 * there are no clients yet; with accounts for its people, where they are to sign in.
 */
import { fileURLToPath } from 'node:url'
import { seedDemo } from '../demo/seed'
import { seedStaff } from '../demo/staff'
import { keepSettings, makeBackup } from '../server/archive/backups'
import { openDatabase } from '../server/database/driver'
import { openPostgres } from '../server/database/postgres'
import { ensureGym } from '../server/equipment/commands'
import { writePhoto } from '../server/files/photos'

const staffed = process.argv.includes('--staff')
const [folder] = process.argv.slice(2).filter((arg) => arg !== '--staff')
if (!folder) {
  console.error('Usage: tsx scripts/demo-data.ts FOLDER [--staff]')
  process.exit(2)
}
process.env.OAK_PINCH_DATA = folder
const migrations = fileURLToPath(new URL('../server/database/migrations', import.meta.url))
const url = process.env.DATABASE_URL
const { db, close } = await (url
  ? openPostgres(url, migrations, folder)
  : openDatabase(folder, migrations))
try {
  await ensureGym(db)
  await seedDemo(db, (id, bytes) => writePhoto(db, id, bytes))
  if (staffed) await seedStaff(db)
  const before = (days: number) => new Date(Date.now() - days * 86_400_000)
  for (const days of [9, 2, 1]) await makeBackup(db, folder, 'daily', { at: before(days) })
  // The club has not tested one for over a year.
  await keepSettings(folder, { triedAt: before(400).toISOString() })
} finally {
  await close()
}
