import { shallowRef } from 'vue'
import type { CheckInView, CheckInWithReadings } from '#shared/contract/check-ins'
import { Refused } from '../../utils/problems'
import type { Answer, Outbox } from './outbox'

/** What a session needs of the world. */
export interface SessionWorld {
  fetchView(id: string): Promise<CheckInView>
  keepView(view: CheckInView): Promise<void>
  keptView(id: string): Promise<CheckInView | undefined>
  forgetView(id: string): Promise<void>
  /** @returns what ends it */
  follow(id: string, hear: (checkIn: CheckInWithReadings) => void): () => void
}

/**
 * The one check-in on the screen, as the server has it. Every opening has a token of its own: what is answered to an
 * earlier one, after the coach left or went to another check-in, changes nothing.
 */
export function createSession(world: SessionWorld, outbox: Outbox) {
  const view = shallowRef<CheckInView>()
  /** Why the check-in cannot be shown. */
  const trouble = shallowRef('')
  let epoch = 0
  let stop: (() => void) | undefined

  function show(next: CheckInView): void {
    view.value = next
    if (next.checkIn.closedAt === null) void outbox.kept(world.keepView(next))
  }

  /** Readings from the server and those that are here and not among them: readings are only ever added. */
  function withMine(there: CheckInWithReadings['readings']): CheckInWithReadings['readings'] {
    const known = new Set(there.map(({ id }) => id))
    const mine = view.value?.checkIn.readings.filter(({ id }) => !known.has(id))
    return [...there, ...(mine ?? [])]
  }

  /**
   * A state of the check-in that was heard: none of the readings that are here goes; choices are those of the newer of
   * the two.
   */
  function merge(there: CheckInWithReadings): void {
    const here = view.value
    if (!here || here.checkIn.id !== there.id) return
    const newer = there.revision >= here.checkIn.revision
    const readings = withMine(there.readings)
    const checkIn = newer
      ? { ...there, readings }
      : { ...here.checkIn, readings, closedAt: there.closedAt }
    show({ ...here, checkIn })
  }

  /** What the server took of the log becomes part of what it has. */
  function answered(answer: Answer): void {
    const here = view.value
    if (!here || here.checkIn.id !== answer.operation.checkInId) return
    if ('checkIn' in answer) {
      const { readings } = here.checkIn
      if (answer.checkIn.revision < here.checkIn.revision) return
      show({ ...here, checkIn: { ...answer.checkIn, readings } })
    } else if ('siteNotes' in answer) {
      show({ ...here, siteNotes: answer.siteNotes })
    } else {
      const { reading } = answer.operation
      if (here.checkIn.readings.some(({ id }) => id === reading.id)) return
      const readings = [...here.checkIn.readings, reading]
      show({ ...here, checkIn: { ...here.checkIn, readings } })
    }
  }
  outbox.listen(answered)

  /** Opens a check-in: first what this browser kept, then what the server has. */
  async function open(id: string): Promise<void> {
    leave()
    const mine = ++epoch
    const here = await world.keptView(id).catch(() => {
      outbox.unkept.value = true
      return undefined
    })
    await outbox.load()
    if (mine !== epoch) return
    if (here) view.value = here
    try {
      const there = await world.fetchView(id)
      if (mine !== epoch) return
      outbox.reachable.value = true
      // What was taken while the answer was on its way is not in it.
      const readings = withMine(there.checkIn.readings)
      show({ ...there, checkIn: { ...there.checkIn, readings } })
    } catch (error) {
      if (mine !== epoch) return
      if (error instanceof Refused) {
        // It is not there (any more): what was kept of it is of no use.
        view.value = undefined
        void world.forgetView(id).catch(() => {})
        trouble.value = error.message
      } else {
        outbox.reachable.value = false
        if (!view.value) trouble.value = (error as Error).message
      }
    }
    void outbox.send(id)
    if (trouble.value) return
    stop = world.follow(id, (checkIn) => {
      if (mine !== epoch) return
      const wasAway = !outbox.reachable.value
      outbox.reachable.value = true
      merge(checkIn)
      if (wasAway) void outbox.drain()
    })
  }

  /** Leaves the check-in; what waits goes on being sent. */
  function leave(): void {
    epoch++
    stop?.()
    stop = undefined
    view.value = undefined
    trouble.value = ''
  }

  return {
    view,
    trouble,
    open,
    leave,
    merge,
    forget: (id: string) => outbox.kept(world.forgetView(id)),
  }
}
