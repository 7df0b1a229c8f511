import { checkInWithReadingsSchema, type CheckInWithReadings } from '#shared/contract/check-ins'

/** How long until a stream that broke is opened again, ms: at first, and twice as long each time up to the last. */
const AGAIN_MS = { first: 1000, last: 15_000 }

/** How long without a word until a stream is taken for dead, ms; the server says every 20 s that it is there. */
const SILENCE_MS = 60_000

/**
 * Follows a stream of the server for as long as somebody wants it. A browser gives up a stream for good at any answer
 * that is not one, such as that of a server which is just starting, and never learns of a network that went without a
 * word: here it is opened again until it comes.
 *
 * @param address of the stream
 * @param hear told every state as it comes
 * @param tellLive told whether the stream is open, at every change
 * @returns what ends it
 */
export function followStream(
  address: string,
  hear: (state: unknown) => void,
  tellLive: (live: boolean) => void = () => {},
): () => void {
  let source: EventSource | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let wait = AGAIN_MS.first
  const after = (ms: number, act: () => void) => {
    clearTimeout(timer)
    timer = setTimeout(act, ms)
  }
  const alive = () => after(SILENCE_MS, broke)
  function broke() {
    source?.close()
    tellLive(false)
    after(wait, open)
    wait = Math.min(2 * wait, AGAIN_MS.last)
  }
  function open() {
    source = new EventSource(address)
    source.onopen = () => {
      wait = AGAIN_MS.first
      tellLive(true)
      alive()
    }
    source.onerror = broke
    source.addEventListener('here', alive)
    source.onmessage = ({ data }) => {
      alive()
      hear(JSON.parse(data as string))
    }
    alive()
  }
  open()
  return () => {
    clearTimeout(timer)
    source?.close()
  }
}

/**
 * Follows a check-in live: what another screen types arrives here too.
 *
 * @param hear told the check-in as it is, now and after every change
 * @returns what ends it
 */
export function followCheckIn(
  id: string,
  hear: (checkIn: CheckInWithReadings) => void,
): () => void {
  return followStream(`/api/check-ins/${id}/live`, (state) => {
    const heard = checkInWithReadingsSchema.safeParse(state)
    if (heard.success && heard.data.id === id) hear(heard.data)
  })
}
