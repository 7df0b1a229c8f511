import { createEventStream } from 'h3'
import { checkIns } from '#shared/contract/routes/check-ins'
import { mustMay } from '../../../access/actor'
import { checkInOr404, findCallerView } from '../../../check-ins/queries'
import { follow, holdStream } from '../../../events/live'
import { defineApi } from '../../../http/define-api'

/** How often a stream says that it is there, ms: a screen that hears nothing three times as long begins anew. */
const HERE_EVERY_MS = 20_000

/** A check-in as it is and after every change, as server-sent events. `?for=caller` leaves out what is private. */
export default defineApi(checkIns.live, async ({ event, db, params: { id }, query, asking }) => {
  if (query.for !== 'caller') mustMay(asking, 'check-ins.take')
  const current = (): Promise<object> =>
    query.for === 'caller' ? findCallerView(db, id) : checkInOr404(db, id)
  const stream = createEventStream(event)
  // Answers 404 before the stream begins.
  const stop = await follow(id, current, (state) => stream.push(JSON.stringify(state)))
  const forget = holdStream(() => void stream.close(), asking?.session?.id)
  const here = setInterval(
    () => void stream.push({ event: 'here', data: 'here' }).catch(() => {}),
    HERE_EVERY_MS,
  )
  stream.onClosed(async () => {
    clearInterval(here)
    stop()
    forget()
    await stream.close()
  })
  return stream.send()
})
