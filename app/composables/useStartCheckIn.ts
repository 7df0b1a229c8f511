import { v4 as newId } from 'uuid'
import { isoDateOf, type IsoDate } from '#core'
import { checkInSchema } from '#shared/contract/check-ins'

/** Starts a check-in of a client, or goes on with the one under way, and opens its screen. */
export function useStartCheckIn() {
  const api = useApi()
  const busy = ref(false)
  const trouble = ref('')

  /** @param paperOf the date of a paper sheet that is typed in later */
  async function start(clientId: string, paperOf?: IsoDate) {
    if (busy.value) return
    busy.value = true
    trouble.value = ''
    const now = new Date()
    try {
      const checkIn = await api.post('/api/check-ins', checkInSchema, {
        id: newId(),
        clientId,
        measuredOn: paperOf ?? isoDateOf(now),
        ...(paperOf ? { fromPaper: true } : {}),
        startedAt: now.toISOString(),
      })
      await navigateTo(`/check-in/${checkIn.id}`)
    } catch (error) {
      trouble.value = (error as Error).message
    } finally {
      busy.value = false
    }
  }

  return { start, busy, trouble }
}
