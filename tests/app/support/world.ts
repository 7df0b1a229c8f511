import { v5 } from 'uuid'
import type { CheckIn, CheckInView, NewReading, ReadingReceipt } from '#shared/contract/check-ins'
import { Refused, ServerFault, Unreachable } from '../../../app/utils/problems'
import type { Keeping, Sending } from '../../../app/features/check-in/outbox'
import type { ChangeOp, Operation, ReadingOp } from '../../../app/features/check-in/operations'

/** An id that says what it is of, the same in every run. */
export const idOf = (what: string) => v5(what, '7d6f3c1e-52a4-4a8e-9c55-0b8f6a1d2e30')

const AT = '2026-03-02T09:00:00.000Z'

export function readingOp(checkInId: string, what: string, value = 12): ReadingOp {
  const reading: NewReading = {
    ...{ id: idOf(what), checkInId, kind: 'skinfold', site: 'thigh', standard: 'us', trial: 1 },
    technique: null,
    ...{ value, typedUnit: 'mm', typedText: String(value), takenAt: AT, supersedes: null },
    ...{ testerId: idOf('tester'), instrumentId: null, correctedBy: null, sentBy: null },
  }
  return { kind: 'reading', id: reading.id, checkInId, reading, setAside: null }
}

export function changeOp(
  checkInId: string,
  what: string,
  change: ChangeOp['change'] = { revision: 0, massDry: true },
): ChangeOp {
  return { kind: 'change', id: idOf(what), checkInId, change, setAside: null }
}

function checkInOf(id: string, more: Partial<CheckIn> = {}): CheckIn {
  return {
    ...{ id, clientId: idOf('client'), protocolId: 'seven-fold', conversion: 'siri' },
    ...{ consent: null, massDry: null, testerId: idOf('tester'), caliperId: null, tapeId: null },
    ...{
      boneCaliperId: null,
      scaleId: null,
      ownProtocol: null,
      tolerance: null,
      measuredOn: '2026-03-02',
    },
    ...{ startedAt: AT, closedAt: null, fromPaper: false, skipped: [], extraGirths: [] },
    ...{ conditions: {}, revision: 0, voided: null, heightCm: 168 },
    ...more,
  }
}

export function viewOf(id: string, more: Partial<CheckIn> = {}, name = 'Ann'): CheckInView {
  return {
    checkIn: { ...checkInOf(id, more), readings: [] },
    client: {
      ...{
        id: idOf('client'),
        name,
        sex: 'female',
        birthDate: '1990-03-14',
        birthYear: null,
        cadenceDays: 28,
      },
      ...{
        heightCm: 168,
        heightUnit: 'cm',
        showPercentages: true,
        cycleWanted: false,
        groupTerm: null,
      },
      ...{ hiddenOnLeaderboards: false, weekEndsOn: null, nextDueOn: null, archived: false },
    },
    ...{
      earlier: [],
      screening: null,
      siteNotes: [],
      ownErrors: {},
      weighIns: [],
      phaseStarts: [],
    },
    gym: {
      today: '2026-03-02',
      settings: {
        ...{ defaultProtocolId: 'seven-fold', standard: 'us', tolerance: null },
        ...{ testerId: idOf('tester'), caliperId: null, tapeId: null, scaleId: null },
        boneCaliperId: null,
        ...{ gymName: '', gymContact: '' },
      },
      hasLogo: false,
      ...{ testers: [], instruments: [], ownProtocols: [], figures: null },
    },
  }
}

/** What a made-up server does with an operation, when it is asked. */
export type Verdict = 'take' | 'refuse' | 'fail' | 'away'

/**
 * A server that keeps what it takes, in the order of taking, and does what it is told with each id.
 *
 * @param verdict asked anew for each sending of each operation
 */
export function madeUpServer(verdict: (id: string) => Verdict = () => 'take') {
  const taken: { checkInId: string; id: string }[] = []
  /** Every sending, as the ids that were in it. */
  const sendings: string[][] = []
  const keep = (checkInId: string, id: string) => {
    if (!taken.some((t) => t.id === id)) taken.push({ checkInId, id })
  }
  function judge(id: string) {
    const said = verdict(id)
    if (said === 'away') throw new Unreachable()
    if (said === 'fail') throw new ServerFault('Something went wrong on the server.')
    return said
  }
  const refusal = {
    field: 'value',
    code: 'limit',
    message: 'Thigh: got 400. Accepted: 3 to 90 mm.',
  }
  const sending: Sending = {
    async readings(checkInId, readings): Promise<ReadingReceipt> {
      sendings.push(readings.map(({ id }) => id))
      await Promise.resolve()
      // One that it fails on fails the whole batch, and nothing of the batch is stored.
      const said = readings.map(({ id }) => ({ id, said: judge(id) }))
      const stored = said.filter((r) => r.said === 'take').map(({ id }) => id)
      for (const id of stored) keep(checkInId, id)
      const refused = said
        .filter((r) => r.said === 'refuse')
        .map(({ id }) => ({ id, code: 'refused' as const, message: refusal.message }))
      return { stored, refused }
    },
    async change(checkInId, change) {
      const id = idOfChange(change)
      sendings.push([id])
      await Promise.resolve()
      if (judge(id) === 'refuse') throw new Refused(409, [{ ...refusal, code: 'collision' }])
      keep(checkInId, id)
      return checkInOf(checkInId, { revision: change.revision + 1, massDry: true })
    },
    async siteNote({ id, checkInId, note }) {
      sendings.push([id])
      await Promise.resolve()
      if (judge(id) === 'refuse') throw new Refused(422, [refusal])
      keep(checkInId, id)
      return [note]
    },
  }
  return { sending, taken, sendings }
}

/** A change carries no id over the wire; here its window stands for it. */
const idOfChange = (change: ChangeOp['change']) => change.window ?? ''
export const withWindow = (op: ChangeOp): ChangeOp => ({
  ...op,
  change: { ...op.change, window: op.id },
})

/** A browser's store in memory. */
export function memory(before: readonly Operation[] = []): Keeping & { kept: Operation[] } {
  const kept = [...before]
  return {
    kept,
    load: () => Promise.resolve([...kept]),
    put(operation) {
      const at = kept.findIndex(({ id }) => id === operation.id)
      if (at < 0) kept.push(operation)
      else kept[at] = operation
      return Promise.resolve()
    },
    remove(id) {
      const at = kept.findIndex((o) => o.id === id)
      if (at >= 0) kept.splice(at, 1)
      return Promise.resolve()
    },
  }
}

/** A clock that goes on only when it is told to. */
export function stillClock() {
  let waiting: (() => void)[] = []
  const wait = (run: () => void) => {
    waiting.push(run)
    return () => void (waiting = waiting.filter((r) => r !== run))
  }
  function strike() {
    const due = waiting
    waiting = []
    for (const run of due) run()
  }
  return { wait, strike, isWaiting: () => waiting.length > 0 }
}

/** A promise that is answered from outside. */
export function deferred<T>() {
  let resolve!: (value: T) => void
  let reject!: (error: unknown) => void
  const promise = new Promise<T>((yes, no) => {
    resolve = yes
    reject = no
  })
  return { promise, resolve, reject }
}
