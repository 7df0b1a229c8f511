import { useDatabase } from '../database/running'
import { keepJobs } from '../jobs/jobs'
import { sendReminders } from '../reminders/send'

/** What the server does by itself, by the clock. */
export default defineNitroPlugin((nitro) => {
  const end = keepJobs(
    [
      {
        ...{ name: 'reminders', when: '* * * * *', claimSeconds: 30 },
        run: (db) => sendReminders(db, new Date()),
      },
    ],
    useDatabase,
  )
  nitro.hooks.hook('close', end)
})
