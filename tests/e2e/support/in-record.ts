/** `tsx in-record.ts FOLDER SQL`: runs SQL in the record of a data folder that no server has open. */
import { fileURLToPath } from 'node:url'
import { openDatabase } from '../../../server/database/driver'

const [folder, sql] = process.argv.slice(2)
const migrations = fileURLToPath(new URL('../../../server/database/migrations', import.meta.url))
const { engine, close } = await openDatabase(folder!, migrations)
const { rows } = await engine.query(sql!)
console.log(JSON.stringify(rows))
await close()
