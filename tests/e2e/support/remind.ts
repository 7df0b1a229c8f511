/**
 * `tsx remind.ts`: opens the record at DATABASE_URL, says `ready`, and at a time on its input sends the reminders that are
 * due then, as a server does by the clock. Then it says how many it took.
 */
import { once } from 'node:events'
import { fileURLToPath } from 'node:url'
import { openPostgres } from '../../../server/database/postgres'
import { sendReminders } from '../../../server/reminders/send'
import '../../support/words'

const migrations = fileURLToPath(new URL('../../../server/database/migrations', import.meta.url))
const { db, close } = await openPostgres(process.env.DATABASE_URL!, migrations, undefined)
console.log('ready')
const [time] = (await once(process.stdin, 'data')) as [Buffer]
console.log(await sendReminders(db, new Date(time.toString().trim())))
await close()
process.exit(0)
