import { checkIns } from '#shared/contract/routes/check-ins'
import { clients } from '../../contract'
import { callApi } from '../../utils/api'
import { keptOperations } from './offline-store'
import { createOutbox, type Outbox } from './outbox'

let outbox: Outbox | undefined

/** The outbox of this window: one for the whole application, whichever page is open. */
export function theOutbox(): Outbox {
  outbox ??= createOutbox(
    {
      readings: (id, readings) =>
        callApi(checkIns.addReadings, { params: { id }, body: { readings } }),
      change: (id, change) => callApi(checkIns.change, { params: { id }, body: change }),
      siteNote: ({ id, clientId, note }) =>
        callApi(clients.keepSiteNote, { params: { id: clientId }, body: { id, ...note } }),
    },
    keptOperations,
    (run, ms) => {
      const timer = setTimeout(run, ms)
      return () => clearTimeout(timer)
    },
  )
  return outbox
}
