import { randomLcg, randomUniform } from 'd3-random'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  type Burst,
  dialAt,
  dialScore,
  hearBurst,
  hearKey,
  lastDigits,
  practiceFold,
  READ_AT_SECONDS,
  SILENCE,
  type Key,
} from '#core'

describe('a dial to practise on', () => {
  const uniform = (seed: number) => randomUniform.source(randomLcg(seed))(0, 1)

  test('it creeps down from the first reading to rest, as a fold does, and never up', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.999, noNaN: true }), (seed) => {
        const fold = practiceFold(uniform(seed))
        expect(dialAt(fold, 0)).toBeCloseTo(fold.first, 9)
        expect(dialAt(fold, 60)).toBeCloseTo(fold.settled, 6)
        let before = Infinity
        for (let t = 0; t < 8; t += 0.25) {
          const now = dialAt(fold, t)
          expect(now).toBeLessThan(before)
          before = now
        }
        // Who reads at once reads at least a millimetre's tenth too much.
        expect(fold.first - dialAt(fold, READ_AT_SECONDS)).toBeGreaterThan(0.1)
      }),
    )
  })

  test('the score is the error, what is always read too high, and how late', () => {
    const tries = [
      { truth: 10.2, typed: 10.5, after: 2.5 },
      { truth: 20.3, typed: 20, after: 2.5 },
      { truth: 15, typed: 15.6, after: 1 },
    ]
    expect(dialScore(tries)).toEqual({
      tries: 3,
      // sqrt((0.09 + 0.09 + 0.36) / 3); (0.3 - 0.3 + 0.6) / 3.
      ...{ error: expect.closeTo(Math.sqrt(0.18), 9), bias: expect.closeTo(0.2, 9) },
      late: 0,
    })
    expect(dialScore([])).toBeUndefined()
  })
})

describe('last digits', () => {
  test('too few say nothing; even ones are even', () => {
    expect(lastDigits([10.1, 10.5]).isUneven).toBeUndefined()
    const even = Array.from({ length: 100 }, (_, i) => 10 + i / 10)
    expect(lastDigits(even)).toEqual({
      counts: Array(10).fill(10),
      isUneven: false,
      favourites: [],
    })
  })

  test('who rounds to halves is found, with the digits', () => {
    const uniform = randomUniform.source(randomLcg(0.3))(0, 1)
    const values = Array.from({ length: 120 }, (_, i) => {
      const true_ = 8 + 20 * uniform()
      return i % 2 ? Math.round(true_ * 2) / 2 : Math.round(true_ * 10) / 10
    })
    const { isUneven, favourites } = lastDigits(values)
    expect(isUneven).toBe(true)
    expect([...favourites].sort()).toEqual([0, 5])
  })

  test('chance is called uneven about one time in twenty', () => {
    const uniform = randomUniform.source(randomLcg(0.8))(0, 1)
    const RUNS = 2000
    const uneven = Array.from({ length: RUNS }, () =>
      lastDigits(Array.from({ length: 100 }, () => Math.floor(uniform() * 400) / 10)),
    ).filter((one) => one.isUneven).length
    expect(uneven / RUNS).toBeGreaterThan(0.035)
    expect(uneven / RUNS).toBeLessThan(0.065)
  })
})

/**
 * The values that come of keys, as a screen with this instrument takes them.
 *
 * @param keys in the order in which they came
 */
function takenOf(keys: readonly Key[]): Burst[] {
  const taken: Burst[] = []
  let listening = SILENCE
  let before: Burst | undefined
  let waiting: { burst: Burst; until: number } | undefined
  for (const key of keys) {
    const heard = hearKey(listening, key)
    listening = heard.now
    if (!heard.burst) continue
    if (waiting && heard.burst.at > waiting.until) {
      taken.push(waiting.burst)
      waiting = undefined
    }
    const hearing = hearBurst(before, heard.burst)
    before = heard.burst
    if (hearing.is === 'waited for') waiting = { burst: heard.burst, until: hearing.until }
  }
  return waiting ? [...taken, waiting.burst] : taken
}

describe('an instrument that types', () => {
  /** Keys of a text and Enter, so many ms apart. */
  const keysOf = (text: string, at: number, apart = 8): Key[] =>
    [...text, 'Enter'].map((key, i) => ({ key, at: at + i * apart }))
  const texts = (keys: Key[]) => takenOf(keys).map(({ text }) => text)

  test('a burst and Enter is a value; what a hand types is none', () => {
    expect(texts(keysOf('12.3', 0))).toEqual(['12.3'])
    expect(texts(keysOf('12.3', 0, 120))).toEqual([])
    // A hand's digit before it is no part of it.
    expect(texts([{ key: '9', at: 0 }, ...keysOf('12.3', 400)])).toEqual(['12.3'])
    expect(texts(keysOf('7', 0))).toEqual([])
    expect(texts(keysOf('g12.3', 0))).toEqual(['12.3'])
    expect(texts(keysOf('12.3.4', 0))).toEqual([])
  })

  test('sent twice it is taken once; the same fold again a while later is another reading', () => {
    expect(texts([...keysOf('12.3', 0), ...keysOf('12.3', 300)])).toEqual(['12.3'])
    expect(texts([...keysOf('12.3', 0), ...keysOf('12.3', 5000)])).toEqual(['12.3', '12.3'])
  })

  test('while the jaws still move the last value counts', () => {
    const moving = [...keysOf('14.8', 0), ...keysOf('13.1', 500), ...keysOf('12.4', 1000)]
    expect(texts(moving)).toEqual(['12.4'])
    expect(texts([...moving, ...keysOf('12.4', 1300), ...keysOf('9.9', 9000)])).toEqual([
      ...['12.4', '9.9'],
    ])
  })

  test('values that are far apart in time all arrive, in order, whatever is typed between them', () => {
    const value = fc.integer({ min: 100, max: 9999 }).map((n) => (n / 10).toFixed(1))
    const noise = fc.array(fc.constantFrom('a', 'Tab', '5', 'Backspace'), { maxLength: 3 })
    fc.assert(
      fc.property(fc.array(fc.tuple(value, noise), { maxLength: 8 }), (all) => {
        const keys = all.flatMap(([text, between], i) => [
          ...keysOf(text, i * 10_000),
          ...between.map((key, j) => ({ key, at: i * 10_000 + 3000 + j * 200 })),
        ])
        expect(texts(keys)).toEqual(all.map(([text]) => text))
      }),
    )
  })

  test('nothing is kept of what was heard when something else is pressed', () => {
    const half = hearKey(hearKey(SILENCE, { key: '1', at: 0 }).now, { key: '2', at: 5 }).now
    expect(hearKey(half, { key: 'x', at: 10 }).now).toEqual(SILENCE)
  })
})
