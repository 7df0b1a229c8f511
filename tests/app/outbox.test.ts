import fc from 'fast-check'
import { describe, expect, test, vi } from 'vitest'
import { PATIENCE } from '../support/patience'
import { createOutbox } from '../../app/features/check-in/outbox'
import type { Operation } from '../../app/features/check-in/operations'
import {
  changeOp,
  idOf,
  madeUpServer,
  memory,
  readingOp,
  stillClock,
  withWindow,
  type Verdict,
} from './support/world'

const A = idOf('check-in A')
const B = idOf('check-in B')

function started(verdict?: (id: string) => Verdict, before: Operation[] = []) {
  const server = madeUpServer(verdict)
  const keeping = memory(before)
  const clock = stillClock()
  const outbox = createOutbox(server.sending, keeping, clock.wait)
  return { ...server, keeping, clock, outbox }
}

describe('what is put into the outbox', () => {
  test('arrives in its order, choices among readings, and is then kept nowhere', async () => {
    const { outbox, taken, keeping, sendings } = started()
    const all = [
      readingOp(A, 'one'),
      readingOp(A, 'two'),
      withWindow(changeOp(A, 'choice')),
      readingOp(A, 'three'),
    ]
    for (const operation of all) outbox.add(operation)
    expect(keeping.kept).toEqual(all)
    await outbox.send(A)
    expect(taken.map(({ id }) => id)).toEqual(all.map(({ id }) => id))
    expect(sendings).toEqual([[all[0]!.id, all[1]!.id], [all[2]!.id], [all[3]!.id]])
    expect(keeping.kept).toEqual([])
    expect(outbox.operations.value).toEqual([])
  })

  test('is not held back by a choice that is refused: that one is set aside with its words', async () => {
    const bad = withWindow(changeOp(A, 'bad'))
    const { outbox, taken, keeping } = started((id) => (id === bad.id ? 'refuse' : 'take'))
    for (const operation of [readingOp(A, 'one'), bad, readingOp(A, 'two')]) outbox.add(operation)
    await outbox.send(A)
    expect(taken.map(({ id }) => id)).toEqual([idOf('one'), idOf('two')])
    expect(outbox.reachable.value).toBe(true)
    const why = { code: 'collision', message: 'Thigh: got 400. Accepted: 3 to 90 mm.' }
    expect(outbox.setAsideOf(A)).toEqual([{ ...bad, setAside: why }])
    expect(keeping.kept).toEqual([{ ...bad, setAside: why }])
  })

  test('is not lost with one reading that the server fails on: the others are stored', async () => {
    const { outbox, taken } = started((id) => (id === idOf('poison') ? 'fail' : 'take'))
    for (const what of ['one', 'poison', 'three']) outbox.add(readingOp(A, what))
    await outbox.send(A)
    expect(taken.map(({ id }) => id)).toEqual([idOf('one'), idOf('three')])
    expect(outbox.reachable.value).toBe(true)
    expect(outbox.setAsideOf(A).map(({ id }) => id)).toEqual([idOf('poison')])
  })

  test('waits for a server that is away, and goes by itself when it is back', async () => {
    let away = true
    const { outbox, taken, clock } = started(() => (away ? 'away' : 'take'))
    outbox.add(readingOp(A, 'one'))
    outbox.add(readingOp(B, 'two'))
    await outbox.drain()
    expect(outbox.reachable.value).toBe(false)
    expect([outbox.waitingOf(A).length, outbox.setAsideOf(A).length]).toEqual([1, 0])
    away = false
    clock.strike()
    await outbox.send(A)
    await outbox.send(B)
    expect(taken).toHaveLength(2)
    expect(outbox.reachable.value).toBe(true)
    expect(clock.isWaiting()).toBe(false)
  })

  test('goes with the start of the application, for every check-in, whichever is open', async () => {
    const before = [readingOp(A, 'one'), readingOp(B, 'two')]
    const { outbox, taken, keeping } = started(undefined, before)
    await outbox.start()
    expect(taken.map(({ checkInId }) => checkInId).sort()).toEqual([A, B].sort())
    expect(keeping.kept).toEqual([])
  })

  test('is sent even where the browser keeps nothing, and the screen is told', async () => {
    const server = madeUpServer()
    const fails = () => Promise.reject(new Error('IndexedDB is closed to this window.'))
    const broken = { load: fails, put: fails, remove: fails }
    const outbox = createOutbox(server.sending, broken, stillClock().wait)
    await outbox.start()
    expect(outbox.unkept.value).toBe(true)
    outbox.add(readingOp(A, 'one'))
    await outbox.send(A)
    expect(server.taken).toHaveLength(1)
    expect(outbox.waitingOf(A)).toEqual([])
  })

  test('is called kept only when the browser has written it down', async () => {
    let written = () => {}
    const writing = new Promise<void>((resolve) => (written = resolve))
    const nothing = () => Promise.resolve()
    const slow = { load: () => Promise.resolve([]), put: () => writing, remove: nothing }
    const outbox = createOutbox(madeUpServer(() => 'away').sending, slow, stillClock().wait)
    await outbox.start()
    outbox.add(readingOp(A, 'one'))
    await outbox.send(A)
    expect([...outbox.inWriting]).toEqual([idOf('one')])
    written()
    await vi.waitFor(() => expect(outbox.inWriting.size).toBe(0), PATIENCE)
    expect(outbox.waitingOf(A)).toHaveLength(1)
  })

  test('that comes in at any turn of a sending, to its very end, is sent too', async () => {
    for (let turns = 0; turns < 20; turns++) {
      const { outbox, taken } = started()
      outbox.add(readingOp(A, 'one'))
      const sent = outbox.send(A)
      for (let turn = 0; turn < turns; turn++) await Promise.resolve()
      outbox.add(readingOp(A, 'late'))
      await outbox.send(A)
      await sent
      const ids = taken.map(({ id }) => id)
      expect(ids, `after ${turns} turns`).toEqual([idOf('one'), idOf('late')])
    }
  })

  test('set aside and mended is sent again, in its old place on record', async () => {
    let strict = true
    const { outbox, taken } = started(() => (strict ? 'refuse' : 'take'))
    outbox.add(readingOp(A, 'one', 400))
    await outbox.send(A)
    strict = false
    await outbox.send(A)
    expect(taken).toEqual([])
    await outbox.mend(idOf('one'))
    expect(taken.map(({ id }) => id)).toEqual([idOf('one')])
    expect(outbox.operations.value).toEqual([])
  })
})

test('whatever the server does, nothing is lost, doubled or taken out of turn', async () => {
  const what = fc.record({
    inA: fc.boolean(),
    isChoice: fc.boolean(),
    /** What the server says to each of its sendings; it takes it, or refuses it for good, after these. */
    said: fc.array(fc.constantFrom<Verdict>('away', 'fail'), { maxLength: 4 }),
    refused: fc.boolean(),
    /** Sent before the next one is put in. */
    sent: fc.boolean(),
  })
  await fc.assert(
    fc.asyncProperty(fc.array(what, { minLength: 1, maxLength: 12 }), async (items) => {
      const left = new Map(items.map(({ said }, i) => [idOf(`op ${i}`), [...said]]))
      const refused = new Set(items.flatMap((o, i) => (o.refused ? [idOf(`op ${i}`)] : [])))
      const { outbox, taken, keeping, clock } = started((id) => {
        const next = left.get(id)!.shift()
        return next ?? (refused.has(id) ? 'refuse' : 'take')
      })
      for (const [i, { inA, isChoice, sent }] of items.entries()) {
        const of = inA ? A : B
        outbox.add(isChoice ? withWindow(changeOp(of, `op ${i}`)) : readingOp(of, `op ${i}`))
        if (sent) void outbox.send(of)
      }
      await outbox.drain()
      for (let i = 0; i < 60 && outbox.anyWaiting.value; i++) {
        clock.strike()
        await outbox.drain()
      }
      const ids = items.map((_, i) => idOf(`op ${i}`))
      const aside = outbox.operations.value.map(({ id, setAside }) => {
        expect(setAside?.message).toBeTruthy()
        return id
      })
      // Each is stored once or set aside once; what is set aside is still kept by the browser.
      expect([...taken.map(({ id }) => id), ...aside].sort()).toEqual([...ids].sort())
      expect(keeping.kept.map(({ id }) => id).sort()).toEqual([...aside].sort())
      for (const checkIn of [A, B]) {
        const order = taken.filter((t) => t.checkInId === checkIn).map(({ id }) => ids.indexOf(id))
        expect(order).toEqual([...order].sort((a, b) => a - b))
      }
    }),
    { numRuns: 300 },
  )
})
