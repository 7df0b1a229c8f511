import { v4 as newId } from 'uuid'
import { isoDateOf, type IsoDate } from '#core'
import { checkIns } from '~/contract'

/** Starts a check-in of a client, or goes on with the one under way, and opens its screen. */
export function useStartCheckIn() {
  const { busy, trouble, submit } = useSubmit()

  /**
   * @param how.paperOf the date of a paper sheet that is typed in later
   * @param how.protocolId a protocol other than the client's last one, or the gym's
   */
  async function start(clientId: string, how: { paperOf?: IsoDate; protocolId?: string } = {}) {
    const { paperOf, protocolId } = how
    const now = new Date()
    const body = {
      ...(protocolId ? { protocolId } : {}),
      ...{ id: newId(), clientId, measuredOn: paperOf ?? isoDateOf(now) },
      ...(paperOf ? { fromPaper: true } : {}),
      startedAt: now.toISOString(),
    }
    const checkIn = await submit(() => callApi(checkIns.start, { body }))
    if (checkIn) await navigateTo(`/check-in/${checkIn.id}`)
  }

  return { start, busy, trouble }
}
