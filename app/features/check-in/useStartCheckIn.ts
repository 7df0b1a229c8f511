import { v4 as newId } from 'uuid'
import { isoDateOf, type IsoDate } from '#core'
import { checkIns } from '~/contract'

/** Starts a check-in of a client, or goes on with the one under way, and opens its screen. */
export function useStartCheckIn() {
  const { busy, trouble, submit } = useSubmit()

  /** @param paperOf the date of a paper sheet that is typed in later */
  async function start(clientId: string, paperOf?: IsoDate) {
    const now = new Date()
    const body = {
      ...{ id: newId(), clientId, measuredOn: paperOf ?? isoDateOf(now) },
      ...(paperOf ? { fromPaper: true } : {}),
      startedAt: now.toISOString(),
    }
    const checkIn = await submit(() => callApi(checkIns.start, { body }))
    if (checkIn) await navigateTo(`/check-in/${checkIn.id}`)
  }

  return { start, busy, trouble }
}
