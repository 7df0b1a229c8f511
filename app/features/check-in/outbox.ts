import { computed, shallowReactive, shallowRef } from 'vue'
import type { CheckIn, ReadingReceipt } from '#shared/contract/check-ins'
import type { SiteNote } from '#shared/contract/clients'
import { t } from '../../words/say'
import { Refused, ServerFault, Unreachable } from '../../utils/problems'
import {
  isWaiting,
  nextToSend,
  type ChangeOp,
  type Operation,
  type ReadingOp,
  type SetAside,
  type SiteNoteOp,
} from './operations'

/** The server, as the outbox needs it. Each throws Unreachable, Refused or ServerFault. */
export interface Sending {
  readings(checkInId: string, readings: ReadingOp['reading'][]): Promise<ReadingReceipt>
  change(checkInId: string, change: ChangeOp['change']): Promise<CheckIn>
  siteNote(operation: SiteNoteOp): Promise<SiteNote[]>
}

/** The browser's own store of operations; each may fail, as in some private windows. */
export interface Keeping {
  load(): Promise<Operation[]>
  put(operation: Operation): Promise<void>
  remove(id: string): Promise<void>
}

/** What the server answered to an operation that it took. */
export type Answer =
  | { operation: ReadingOp }
  | { operation: ChangeOp; checkIn: CheckIn }
  | { operation: SiteNoteOp; siteNotes: SiteNote[] }

/** The waits between two tries at a server that does not answer, ms. */
const WAITS_MS = [1500, 1500, 3000, 6000, 12_000]
/** How often an operation that the server fails on is tried before it is set aside. */
const MOST_FAULTS = 3

/**
 * The ordered log of what was done in check-ins and has not been answered yet. It sends one check-in's operations in
 * their order, sets aside what is refused or fails again and again, each by itself and with words, and goes on with
 * what stands behind it. It outlives the page, the server and a lost connection.
 */
export function createOutbox(
  sending: Sending,
  keeping: Keeping,
  wait: (run: () => void, ms: number) => () => void,
) {
  // Replaced and never changed in place: the core reads every reading many times for each key.
  const operations = shallowRef<readonly Operation[]>([])
  const reachable = shallowRef(true)
  /** What a server that answers waits for, in its words: room on its disk. */
  const waitsFor = shallowRef<string>()
  /** The browser could not keep a copy: what waits is lost with the page. */
  const unkept = shallowRef(false)
  /** By id, what the browser is still writing down: only after it may a page be left. */
  const inWriting = shallowReactive(new Set<string>())

  const listeners = new Set<(answer: Answer) => void>()
  const sendingOf = new Map<string, Promise<void>>()
  const faults = new Map<string, number>()
  let tries = 0
  let cancelRetry: (() => void) | undefined

  const of = (checkInId: string) => operations.value.filter((o) => o.checkInId === checkInId)
  const waitingOf = (checkInId: string) => of(checkInId).filter(isWaiting)
  const setAsideOf = (checkInId: string) => of(checkInId).filter((o) => !isWaiting(o))
  const anyWaiting = computed(() => operations.value.some(isWaiting))

  /** Notes whether the browser could keep something; never fails. */
  function kept(work: Promise<void>): Promise<void> {
    return work.then(
      () => void (unkept.value = false),
      () => void (unkept.value = true),
    )
  }

  /** Puts an operation at the end of the log. It is sent by `send`, once the screen has shown it. */
  function add(operation: Operation): void {
    operations.value = [...operations.value, operation]
    const { id } = operation
    inWriting.add(id)
    void kept(keeping.put(operation)).then(() => inWriting.delete(id))
  }

  function replace(operation: Operation): void {
    operations.value = operations.value.map((o) => (o.id === operation.id ? operation : o))
    void kept(keeping.put(operation))
  }

  function remove(id: string): void {
    operations.value = operations.value.filter((o) => o.id !== id)
    faults.delete(id)
    void kept(keeping.remove(id))
  }

  /** The listener hears first, so that what was stored is never missing on the screen in between. */
  function answered(answer: Answer): void {
    for (const hear of listeners) hear(answer)
    remove(answer.operation.id)
  }

  function setAside(operation: Operation, why: SetAside): void {
    replace({ ...operation, setAside: why })
  }

  /** Sends readings together, or the one operation of another kind. */
  async function sendBatch(batch: readonly Operation[]): Promise<void> {
    const operation = batch[0]!
    if (operation.kind === 'change') {
      const checkIn = await sending.change(operation.checkInId, operation.change)
      answered({ operation, checkIn })
    } else if (operation.kind === 'site-note') {
      answered({ operation, siteNotes: await sending.siteNote(operation) })
    } else await sendReadings(batch as readonly ReadingOp[])
  }

  async function sendReadings(batch: readonly ReadingOp[]): Promise<void> {
    const receipt = await sending.readings(
      batch[0]!.checkInId,
      batch.map(({ reading }) => reading),
    )
    const stored = new Set(receipt.stored)
    const refused = new Map(receipt.refused.map(({ id, ...why }) => [id, why]))
    for (const operation of batch) {
      const why = refused.get(operation.reading.id)
      if (stored.has(operation.reading.id)) answered({ operation })
      else if (why) setAside(operation, why)
    }
    if (batch.every(({ reading }) => !stored.has(reading.id) && !refused.has(reading.id))) {
      throw new ServerFault(t('checkIn.serverSAnswerDoesNot'))
    }
  }

  /** One operation that the server refuses or fails on: set aside at once, or after some tries. */
  function troubled(operation: Operation, error: unknown): void {
    if (error instanceof Refused) {
      const { code = 'refused', message } = error.problems[0] ?? { message: error.message }
      return setAside(operation, { code, message })
    }
    const count = (faults.get(operation.id) ?? 0) + 1
    faults.set(operation.id, count)
    if (count < MOST_FAULTS) return
    setAside(operation, { code: 'fault', message: (error as Error).message })
  }

  async function drainOne(checkInId: string): Promise<void> {
    /** Readings that are sent one by one, since one of them may be what the server fails on. */
    let apart = 0
    for (;;) {
      const batch = nextToSend(of(checkInId), apart > 0 ? 1 : undefined)
      const [first] = batch
      if (!first) return
      try {
        await sendBatch(batch)
        apart--
      } catch (error) {
        if (error instanceof Unreachable) throw error
        if (batch.length === 1) troubled(first, error)
        else apart = batch.length
      }
      reachable.value = true
      waitsFor.value = undefined
      tries = 0
    }
  }

  /** Sends what waits of one check-in, one sending at a time; who asks meanwhile waits for the one under way. */
  function send(checkInId: string): Promise<void> {
    const underWay = sendingOf.get(checkInId)
    // What was put in at the very end of a sending is not left lying for the next one.
    if (underWay) {
      return underWay.then(() => {
        if (reachable.value && waitingOf(checkInId).length > 0) return send(checkInId)
      })
    }
    const work = drainOne(checkInId)
      .catch(later)
      .finally(() => sendingOf.delete(checkInId))
    sendingOf.set(checkInId, work)
    return work
  }

  /** The server does not answer: everything is tried again after a while. */
  function later(error: unknown): void {
    reachable.value = false
    waitsFor.value = error instanceof Unreachable ? error.why : undefined
    cancelRetry?.()
    const ms = WAITS_MS[Math.min(tries++, WAITS_MS.length - 1)]!
    cancelRetry = wait(() => void drain(), ms)
  }

  /** Sends what waits of every check-in, whichever page is open. */
  async function drain(): Promise<void> {
    cancelRetry?.()
    const waiting = operations.value.filter(isWaiting)
    await Promise.all([...new Set(waiting.map(({ checkInId }) => checkInId))].map(send))
  }

  let loading: Promise<void> | undefined

  /** Takes up what an earlier page left, once: a check-in is not whole on the screen before. */
  function load(): Promise<void> {
    loading ??= keeping.load().then(
      (before) => {
        const here = new Set(operations.value.map(({ id }) => id))
        operations.value = [...before.filter(({ id }) => !here.has(id)), ...operations.value]
      },
      () => void (unkept.value = true),
    )
    return loading
  }

  /** Takes up what an earlier page left, and sends it. */
  async function start(): Promise<void> {
    await load()
    await drain()
  }

  /** What was set aside is sent once more, as it is or as it was mended. */
  function mend(id: string, change: (operation: Operation) => Operation = (o) => o): Promise<void> {
    const operation = operations.value.find((o) => o.id === id)
    if (!operation) return Promise.resolve()
    faults.delete(id)
    replace({ ...change(operation), setAside: null })
    return send(operation.checkInId)
  }

  /** Hears every answer. @returns what ends it */
  function listen(hear: (answer: Answer) => void): () => void {
    listeners.add(hear)
    return () => listeners.delete(hear)
  }

  return {
    ...{ operations, reachable, waitsFor, unkept, inWriting, anyWaiting },
    ...{
      add,
      send,
      drain,
      load,
      kept,
      start,
      mend,
      drop: remove,
      listen,
      of,
      waitingOf,
      setAsideOf,
    },
  }
}

export type Outbox = ReturnType<typeof createOutbox>
