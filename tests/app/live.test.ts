import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { followStream } from '../../app/features/check-in/live'

/** What a browser has for a stream, opened and broken by the test. */
class MadeUpSource extends EventTarget {
  static all: MadeUpSource[] = []
  static get last() {
    return MadeUpSource.all.at(-1)!
  }
  closed = false
  onopen = () => {}
  onerror = () => {}
  onmessage: (event: { data: string }) => void = () => {}
  constructor(readonly address: string) {
    super()
    MadeUpSource.all.push(this)
  }
  close() {
    this.closed = true
  }
}

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('EventSource', MadeUpSource)
  MadeUpSource.all = []
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

function followed() {
  const heard: unknown[] = []
  const lives: boolean[] = []
  const end = followStream(
    '/somewhere/live',
    (state) => heard.push(state),
    (live) => lives.push(live),
  )
  return { heard, lives, end }
}

test('a stream is opened again until it comes, with ever longer waits, and then tells as before', () => {
  const { heard, lives } = followed()
  MadeUpSource.last.onopen()
  MadeUpSource.last.onmessage({ data: '{"readings":1}' })
  // The server dies, and answers what is no stream while it starts: a browser alone gives up here.
  const waits: number[] = []
  for (let tries = 0; tries < 6; tries++) {
    const [before, from] = [MadeUpSource.all.length, Date.now()]
    MadeUpSource.last.onerror()
    expect(MadeUpSource.last.closed).toBe(true)
    while (MadeUpSource.all.length === before) vi.advanceTimersByTime(100)
    waits.push(Date.now() - from)
  }
  expect(waits).toEqual([1000, 2000, 4000, 8000, 15_000, 15_000])
  MadeUpSource.last.onopen()
  MadeUpSource.last.onmessage({ data: '{"readings":2}' })
  expect(heard).toEqual([{ readings: 1 }, { readings: 2 }])
  expect([lives[0], lives.at(-2), lives.at(-1)]).toEqual([true, false, true])
  // The next trouble is a new one.
  MadeUpSource.last.onerror()
  vi.advanceTimersByTime(1000)
  expect(MadeUpSource.all).toHaveLength(8)
  expect(new Set(MadeUpSource.all.map(({ address }) => address))).toEqual(
    new Set(['/somewhere/live']),
  )
})

test('a stream that says nothing for a minute is taken for dead; one that says that it is there is not', () => {
  const { lives } = followed()
  MadeUpSource.last.onopen()
  for (let minute = 0; minute < 5; minute++) {
    vi.advanceTimersByTime(59_000)
    MadeUpSource.last.dispatchEvent(new Event('here'))
  }
  expect(MadeUpSource.all).toHaveLength(1)
  vi.advanceTimersByTime(60_000)
  expect([MadeUpSource.all[0]!.closed, lives.at(-1)]).toEqual([true, false])
  vi.advanceTimersByTime(1000)
  expect(MadeUpSource.all).toHaveLength(2)
})

test('who has left hears of it no more, whether it was open or being waited for', () => {
  const open = followed()
  MadeUpSource.last.onopen()
  open.end()
  const waiting = followed()
  MadeUpSource.last.onerror()
  waiting.end()
  vi.advanceTimersByTime(600_000)
  expect(MadeUpSource.all.map(({ closed }) => closed)).toEqual([true, true])
})
