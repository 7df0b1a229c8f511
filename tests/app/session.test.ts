import { describe, expect, test } from 'vitest'
import type { CheckInView, CheckInWithReadings } from '#shared/contract/check-ins'
import { createOutbox } from '../../app/features/check-in/outbox'
import { withOperations } from '../../app/features/check-in/operations'
import { createSession, type SessionWorld } from '../../app/features/check-in/session'
import { Refused, ServerFault, Unreachable } from '../../app/utils/problems'
import {
  changeOp,
  deferred,
  idOf,
  madeUpServer,
  memory,
  readingOp,
  stillClock,
  viewOf,
  withWindow,
} from './support/world'

const A = idOf('check-in A')
const B = idOf('check-in B')

/** A session whose world answers when the test says so. */
function opened(kept: CheckInView[] = []) {
  const server = madeUpServer()
  const outbox = createOutbox(server.sending, memory(), stillClock().wait)
  const asked = new Map<string, ReturnType<typeof deferred<CheckInView>>>()
  const heard = new Map<string, (checkIn: CheckInWithReadings) => void>()
  const ended: string[] = []
  const world: SessionWorld = {
    fetchView(id) {
      const answer = deferred<CheckInView>()
      asked.set(id, answer)
      return answer.promise
    },
    keepView: () => Promise.resolve(),
    keptView: (id) => Promise.resolve(kept.find(({ checkIn }) => checkIn.id === id)),
    forgetView: () => Promise.resolve(),
    follow(id, hear) {
      heard.set(id, hear)
      return () => ended.push(id)
    },
  }
  const session = createSession(world, outbox)
  /** Lets everything run that waits for nothing but its turn. */
  const settled = () => new Promise((resolve) => setTimeout(resolve))
  return { session, outbox, asked, heard, ended, settled, ...server }
}

const shown = ({ session }: ReturnType<typeof opened>) => session.view.value?.checkIn.id

describe('opening', () => {
  test('shows at once what the browser kept, then what the server has', async () => {
    const world = opened([viewOf(A, {}, 'Ann before')])
    const open = world.session.open(A)
    await world.settled()
    expect(world.session.view.value!.client.name).toBe('Ann before')
    world.asked.get(A)!.resolve(viewOf(A, {}, 'Ann now'))
    await open
    expect(world.session.view.value!.client.name).toBe('Ann now')
  })

  test('one check-in and then another: the late answer of the first changes nothing', async () => {
    const world = opened()
    const first = world.session.open(A)
    await world.settled()
    const second = world.session.open(B)
    await world.settled()
    world.asked.get(B)!.resolve(viewOf(B))
    await second
    world.asked.get(A)!.resolve(viewOf(A))
    await first
    expect(shown(world)).toBe(B)
    expect([...world.heard.keys()]).toEqual([B])
  })

  test('and leaving before the answer: nothing is shown and nothing followed', async () => {
    const world = opened()
    const open = world.session.open(A)
    await world.settled()
    world.session.leave()
    world.asked.get(A)!.resolve(viewOf(A))
    await open
    expect(shown(world)).toBeUndefined()
    expect(world.heard.size).toBe(0)
  })

  test('and leaving after it: what is heard later changes nothing', async () => {
    const world = opened()
    const open = world.session.open(A)
    await world.settled()
    world.asked.get(A)!.resolve(viewOf(A))
    await open
    world.session.leave()
    world.heard.get(A)!({ ...viewOf(A).checkIn, revision: 9 })
    expect(world.ended).toEqual([A])
    expect(shown(world)).toBeUndefined()
  })

  test.each([
    ['a refusal', new Refused(404, []), true],
    ['a fault', new ServerFault('broken'), false],
    ['no answer', new Unreachable(), false],
  ] as const)('%s is said; what is kept here is used unless it is gone', async (_, error, gone) => {
    const world = opened([viewOf(A)])
    const open = world.session.open(A)
    await world.settled()
    world.asked.get(A)!.reject(error)
    await open
    expect(shown(world)).toBe(gone ? undefined : A)
    expect(world.session.trouble.value === '').toBe(!gone)
  })
})

test('a reading that is stored while the answer is on its way stays', async () => {
  const world = opened([viewOf(A)])
  const open = world.session.open(A)
  await world.settled()
  world.outbox.add(readingOp(A, 'one'))
  await world.outbox.send(A)
  world.asked.get(A)!.resolve(viewOf(A))
  await open
  expect(world.session.view.value!.checkIn.readings.map(({ id }) => id)).toEqual([idOf('one')])
})

describe('what is here', () => {
  async function open() {
    const world = opened()
    const done = world.session.open(A)
    await world.settled()
    world.asked.get(A)!.resolve(viewOf(A))
    await done
    return world
  }

  test('keeps a stored reading though an older state is heard after it', async () => {
    const world = await open()
    const older = world.session.view.value!.checkIn
    world.outbox.add(readingOp(A, 'one'))
    await world.outbox.send(A)
    world.heard.get(A)!(older)
    const ids = world.session.view.value!.checkIn.readings.map(({ id }) => id)
    expect(ids).toEqual([idOf('one')])
  })

  test('keeps a newer choice though an older state is heard after it', async () => {
    const world = await open()
    const older = world.session.view.value!.checkIn
    world.outbox.add(withWindow(changeOp(A, 'choice')))
    await world.outbox.send(A)
    expect(world.session.view.value!.checkIn.massDry).toBe(true)
    world.heard.get(A)!(older)
    expect(world.session.view.value!.checkIn.massDry).toBe(true)
  })

  test('keeps a newer choice that was heard, though an older one is answered after it', async () => {
    const world = await open()
    world.outbox.add(withWindow(changeOp(A, 'choice')))
    world.heard.get(A)!({ ...world.session.view.value!.checkIn, revision: 5, massDry: false })
    await world.outbox.send(A)
    expect(world.session.view.value!.checkIn).toMatchObject({ revision: 5, massDry: false })
  })

  test('shows what waits on top of what the server has, in its order, and each reading once', async () => {
    const world = await open()
    const one = readingOp(A, 'one', 11)
    const skip = changeOp(A, 's', { revision: 0, skips: { chest: 'out of time' } })
    const unskip = changeOp(A, 'u', { revision: 0, skips: { chest: null } })
    const there = { ...world.session.view.value!.checkIn, readings: [one.reading] }
    const here = withOperations(there, [one, skip, readingOp(A, 'two', 12)])
    expect(here.readings.map(({ value }) => value)).toEqual([11, 12])
    expect(here.skipped).toEqual([{ site: 'chest', reason: 'out of time' }])
    expect(withOperations(there, [skip, unskip]).skipped).toEqual([])
    const aside = { ...skip, setAside: { code: 'x', message: 'no' } }
    expect(withOperations(there, [aside, readingOp(B, 'three')])).toBe(there)
  })
})
