import { createEventStream, defineEventHandler, getQuery } from 'h3'
import { idOf } from '../../../utils/api'
import { callerViewOf, checkInOr404 } from '../../../utils/check-in'
import { useDatabase } from '../../../utils/database'
import { listen } from '../../../utils/live'

/** A check-in as it is and after every change, as server-sent events. `?for=caller` leaves out what is private. */
export default defineEventHandler(async (event) => {
  const db = await useDatabase()
  const id = idOf(event)
  const forCaller = getQuery(event).for === 'caller'
  const stream = createEventStream(event)
  let sending = false
  let again = false
  const send = async () => {
    again = sending
    if (sending) return
    sending = true
    do {
      again = false
      const view = await (forCaller ? callerViewOf(db, id) : checkInOr404(db, id)).catch(
        () => undefined,
      )
      if (view) await stream.push(JSON.stringify(view))
    } while (again)
    sending = false
  }
  const stop = listen(id, () => void send())
  stream.onClosed(async () => {
    stop()
    await stream.close()
  })
  void send()
  return stream.send()
})
