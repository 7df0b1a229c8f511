import { createEventStream } from 'h3'
import { checkIns } from '#shared/contract/routes/check-ins'
import { mustMay } from '../../../access/actor'
import { checkInOr404, findCallerView } from '../../../check-ins/queries'
import { holdStream, listen } from '../../../events/live'
import { defineApi } from '../../../http/define-api'

/** A check-in as it is and after every change, as server-sent events. `?for=caller` leaves out what is private. */
export default defineApi(checkIns.live, async ({ event, db, params: { id }, query, asking }) => {
  if (query.for !== 'caller') mustMay(asking, 'check-ins.take')
  const current = () => (query.for === 'caller' ? findCallerView(db, id) : checkInOr404(db, id))
  // Answers 404 before the stream begins.
  const first = await current()
  const stream = createEventStream(event)
  let sending = false
  let again = false
  const send = async () => {
    again = sending
    if (sending) return
    sending = true
    do {
      again = false
      const view = await current().catch(() => undefined)
      if (view) await stream.push(JSON.stringify(view))
    } while (again)
    sending = false
  }
  const stop = listen(id, () => void send())
  const forget = holdStream(() => void stream.close(), asking?.session?.id)
  stream.onClosed(async () => {
    stop()
    forget()
    await stream.close()
  })
  void stream.push(JSON.stringify(first))
  return stream.send()
})
