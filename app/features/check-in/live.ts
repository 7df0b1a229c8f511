import { checkInWithReadingsSchema, type CheckInWithReadings } from '#shared/contract/check-ins'

/**
 * Follows a check-in live: what another screen types arrives here too. The browser connects again by itself.
 *
 * @param hear told the check-in as it is, now and after every change
 * @returns what ends it
 */
export function followCheckIn(
  id: string,
  hear: (checkIn: CheckInWithReadings) => void,
): () => void {
  const source = new EventSource(`/api/check-ins/${id}/live`)
  source.onmessage = ({ data }) => {
    const heard = checkInWithReadingsSchema.safeParse(JSON.parse(data as string))
    if (heard.success && heard.data.id === id) hear(heard.data)
  }
  return () => source.close()
}
