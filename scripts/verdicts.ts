/**
 * `npm run verdicts -- FOLDER`: what every client's record says, forgotten and judged anew. Nothing else needs it: a
 * verdict is dropped by whatever changes it; this is for who does not believe that.
 */
import { fileURLToPath } from 'node:url'
import { openDatabase } from '../server/database/driver'
import { dataFolder } from '../server/files/data-folder'
import { rebuildVerdicts } from '../server/verdicts/keep'

const [folder] = process.argv.slice(2)
if (folder) process.env.OAK_PINCH_DATA = folder
const migrations = fileURLToPath(new URL('../server/database/migrations', import.meta.url))
const from = performance.now()
try {
  const { db, close } = await openDatabase(dataFolder(), migrations)
  try {
    const judged = await rebuildVerdicts(db)
    console.log(`${judged} records judged in ${((performance.now() - from) / 1000).toFixed(1)} s.`)
  } finally {
    await close()
  }
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  process.exitCode = 1
}
