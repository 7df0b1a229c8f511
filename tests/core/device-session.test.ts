import { randomLcg, randomNormal } from 'd3-random'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  type Heard,
  hearPacket,
  isOfAnotherTime,
  measurementOf,
  NOTHING_HEARD,
  STEADY_MS,
  usualUnlike,
  writeCompositionPacket,
  writeWeightPacket,
} from '#core'
import { readCompositionPacket, readWeightPacket } from '../../core/exchange/gatt-packets'

/* What a scale sends while somebody steps on it, and what of it counts. */

const weight = (massKg: number | null) => writeWeightPacket({ massKg, userId: null })
/** Hears weights of those kg, so many ms apart. */
const hear = (all: readonly (number | null)[], apart: number, before = NOTHING_HEARD) =>
  all.reduce<Heard>((heard, kg, i) => hearPacket(heard, '2a9d', weight(kg), i * apart), before)

describe('what the stand-ins send', () => {
  test('is read as it was meant, to the step of the standard', () => {
    const some = <T>(of: fc.Arbitrary<T>) => fc.option(of)
    const kg = fc.double({ min: 20, max: 320, noNaN: true })
    fc.assert(
      fc.property(some(kg), some(fc.integer({ min: 0, max: 254 })), (massKg, userId) => {
        const read = readWeightPacket(writeWeightPacket({ massKg, userId }))
        expect([read.ok, read.userId]).toEqual([massKg !== null, userId])
        if (massKg !== null) expect(Math.abs(read.massKg! - massKg)).toBeLessThan(0.0026)
      }),
    )
    const whole = fc.record({
      fatPercent: some(fc.double({ min: 1, max: 75, noNaN: true })),
      impedanceOhm: some(fc.double({ min: 100, max: 1500, noNaN: true })),
      massKg: some(kg),
      inParts: fc.boolean(),
    })
    fc.assert(
      fc.property(whole, (sent) => {
        const read = readCompositionPacket(writeCompositionPacket(sent))
        expect([read.ok, read.inParts]).toEqual([sent.fatPercent !== null, sent.inParts])
        if (!read.ok) return
        expect(Math.abs(read.fatPercent! - sent.fatPercent!)).toBeLessThan(0.051)
        for (const name of ['impedanceOhm', 'massKg'] as const)
          if (sent[name] === null) expect(read[name]).toBeNull()
          else expect(Math.abs(read[name]! - sent[name])).toBeLessThan(0.051)
      }),
    )
  })
})

describe('a weight', () => {
  test('counts once it has stood still; while it wanders nothing does', () => {
    const wandering = hear([40, 63, 70, 73.2, 72.1], 400)
    expect(measurementOf(wandering, 1600 + STEADY_MS - 1)).toBeUndefined()
    expect(measurementOf(wandering, 1600 + STEADY_MS)).toMatchObject({ massKg: 72.1 })
    // As many the same, a twentieth apart, are one weight; the newest of them counts.
    const still = hear([72.1, 72.15, 72.1, 72.05], 500)
    expect(measurementOf(still, 1500)).toMatchObject({ massKg: 72.05, fatPercent: null })
    // Slow creep is not steady.
    expect(measurementOf(hear([70, 70.2, 70.4, 70.6, 70.8], 600), 2400)).toBeUndefined()
  })

  test('that failed, or that cannot be read, counts for nothing and loses no steady one before it', () => {
    const failed = hear([72, null], 500)
    expect([failed.wrong, measurementOf(failed, 9000)]).toEqual(['failed', undefined])
    const noise = fc.uint8Array({ maxLength: 24 })
    fc.assert(
      fc.property(noise, fc.constantFrom('2a9d' as const, '2a9c' as const), (bytes, id) => {
        const before = hear([72, 72], 500)
        const heard = hearPacket(before, id, bytes, 600)
        if (heard.wrong !== 'unreadable') return
        expect(measurementOf(heard, 500 + STEADY_MS)?.massKg).toBe(72)
      }),
    )
    expect(hearPacket(NOTHING_HEARD, '2a9d', Uint8Array.of(0, 1), 0).wrong).toBe('unreadable')
  })

  test('is gone when who stood there steps off', () => {
    expect(measurementOf(hear([72, 72, 0], 1000), 9000)).toBeUndefined()
  })
})

describe('a monitor', () => {
  const composition = (massKg: number | null, fatPercent: number | null, inParts = false) =>
    writeCompositionPacket({ massKg, fatPercent, impedanceOhm: 480, inParts })

  test('says its fat with the weight, in one packet or in two', () => {
    const one = hearPacket(NOTHING_HEARD, '2a9c', composition(72, 24.1), 0)
    const said = { massKg: 72, fatPercent: 24.1, impedanceOhm: 480 }
    expect(measurementOf(one, STEADY_MS)).toMatchObject(said)
    const first = hearPacket(NOTHING_HEARD, '2a9c', composition(null, 24.1, true), 0)
    expect(measurementOf(first, 9000)).toBeUndefined()
    const both = hearPacket(first, '2a9c', composition(72, 24.1, true), 800)
    expect(measurementOf(both, 800 + STEADY_MS)).toMatchObject(said)
    // A half whose other half never came is no half of the next measurement.
    const late = hearPacket(first, '2a9c', composition(80, 30, true), 60_000)
    expect(measurementOf(late, 99_000)).toBeUndefined()
    expect(late.half?.at).toBe(60_000)
  })

  test('and a scale’s fat is of who stood there, and of nobody after', () => {
    const weighed = hearPacket(NOTHING_HEARD, '2a9d', weight(72), 0)
    const fat = hearPacket(weighed, '2a9c', composition(null, 24.1), 400)
    expect(measurementOf(fat, STEADY_MS)).toMatchObject({ massKg: 72, fatPercent: 24.1 })
    const next = hearPacket(fat, '2a9d', weight(91), 5000)
    expect(measurementOf(next, 9000)).toMatchObject({ massKg: 91, fatPercent: null })
  })
})

test('a clock that says another time is asked about, and none is not', () => {
  const now = '2026-11-29T09:30:00'
  expect(isOfAnotherTime(null, now)).toBe(false)
  expect(isOfAnotherTime('2026-11-29T09:20:00', now)).toBe(false)
  expect(isOfAnotherTime('2026-11-28T09:30:00', now)).toBe(true)
  expect(isOfAnotherTime('2026-11-29T09:46:00', now)).toBe(true)
})

describe('whose weight it is', () => {
  const record = [4, 3, 2, 1].map((weeksAgo) => ({ kg: 72 + weeksAgo * 0.3, weeksAgo }))

  test('somebody much heavier or lighter is asked about; without a record nobody', () => {
    expect(usualUnlike(72, record)).toBeUndefined()
    expect(usualUnlike(76.5, record)).toBeCloseTo(72.6, 0)
    expect(usualUnlike(67, record)).toBeCloseTo(72.6, 0)
    expect(usualUnlike(120, [])).toBeUndefined()
    // After half a year people have changed.
    const longAgo = record.map((m) => ({ ...m, weeksAgo: m.weeksAgo + 26 }))
    expect(usualUnlike(76.5, longAgo)).toBeUndefined()
  })

  test('one who weighs as the days go is asked less than once in a hundred weighings', () => {
    const normal = randomNormal.source(randomLcg(0.4))(0, 0.63)
    const RUNS = 3000
    let asked = 0
    for (let i = 0; i < RUNS; i++) {
      const masses = [3, 2, 1].map((weeksAgo) => ({ kg: 80 + normal(), weeksAgo }))
      if (usualUnlike(80 + normal(), masses) !== undefined) asked++
    }
    expect(asked / RUNS).toBeLessThan(0.01)
  })
})
