import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { InputError } from '#core'
import {
  joinParts,
  readCompositionPacket,
  readPacket,
  readWeightPacket,
} from '../../core/exchange/gatt-packets'

/*
 * Packets by the layout of the Bluetooth SIG's GATT Specification Supplement: Weight Measurement (0x2A9D) and Body
 * Composition Measurement (0x2A9C). The encoder below is written from the layout, apart from the reader.
 */

const bytes = (hex: string) => Uint8Array.from(hex.split(' '), (pair) => Number.parseInt(pair, 16))

describe('a weight', () => {
  test('alone, in kilograms or pounds', () => {
    // 14,000 steps of 0.005 kg; 15,432 of 0.01 lb.
    expect(readWeightPacket(bytes('00 b0 36'))).toMatchObject({ ok: true, massKg: 70 })
    expect(readWeightPacket(bytes('01 48 3c')).massKg).toBeCloseTo(154.32 * 0.45359237, 5)
  })

  test('with its time, user, BMI and height', () => {
    const read = readWeightPacket(bytes('0e b0 36 ea 07 0b 1c 07 05 09 02 e6 00 d6 06'))
    expect(read).toEqual({
      ...{ kind: 'weight', ok: true, massKg: 70, time: '2026-11-28T07:05:09', userId: 2 },
      ...{ bmi: 23, heightCm: 175 },
    })
    // In inches, from somebody whom the device does not know.
    expect(readWeightPacket(bytes('0d 48 3c ff e6 00 b1 02'))).toMatchObject({
      ...{ userId: null, heightCm: 175.006 },
    })
  })

  test('that failed has no value, and a clock that was never set no time', () => {
    const failed = readWeightPacket(bytes('02 ff ff 00 00 00 00 00 00 00'))
    expect(failed).toMatchObject({ ok: false, massKg: null, time: null })
    for (const day of ['ea 07 0d 01', 'ea 07 02 1e', 'ea 07 00 00'])
      expect(readWeightPacket(bytes(`02 b0 36 ${day} 07 05 09`)).time).toBeNull()
  })
})

/* All fields of 0x2A9C by their bits, with what a step of each is worth in SI units and in imperial ones. */
const FIELDS = [
  [3, 'basalMetabolismKj', 1, 1],
  [4, 'musclePercent', 0.1, 0.1],
  [5, 'muscleKg', 0.005, 0.004_535_923_7],
  [6, 'fatFreeKg', 0.005, 0.004_535_923_7],
  [7, 'softLeanKg', 0.005, 0.004_535_923_7],
  [8, 'waterKg', 0.005, 0.004_535_923_7],
  [9, 'impedanceOhm', 0.1, 0.1],
  [10, 'massKg', 0.005, 0.004_535_923_7],
  [11, 'heightCm', 0.1, 0.254],
] as const

const steps = fc.integer({ min: 0, max: 0xfffe })
const composition = fc.record({
  imperial: fc.boolean(),
  fat: steps,
  time: fc.option(
    fc.date({ min: new Date('2000-01-01'), max: new Date('2090-01-01'), noInvalidDate: true }),
  ),
  user: fc.option(fc.integer({ min: 0, max: 254 })),
  values: fc.tuple(...FIELDS.map(() => fc.option(steps))),
  parts: fc.boolean(),
})

interface Encoded {
  imperial: boolean
  fat: number
  time: Date | null
  user: number | null
  values: (number | null)[]
  parts: boolean
}

function encoded({ imperial, fat, time, user, values, parts }: Encoded): Uint8Array {
  const out: number[] = []
  const word = (value: number) => out.push(value % 256, Math.floor(value / 256))
  let flags = Number(imperial) + (time ? 2 : 0) + (user === null ? 0 : 4) + (parts ? 4096 : 0)
  FIELDS.forEach(([bit], i) => (flags += values[i] === null ? 0 : 2 ** bit))
  word(flags)
  word(fat)
  if (time) {
    word(time.getUTCFullYear())
    out.push(time.getUTCMonth() + 1, time.getUTCDate(), time.getUTCHours())
    out.push(time.getUTCMinutes(), time.getUTCSeconds())
  }
  if (user !== null) out.push(user)
  for (const value of values) if (value !== null) word(value)
  return Uint8Array.from(out)
}

describe('body composition', () => {
  test('of any flags is read field by field', () => {
    fc.assert(
      fc.property(composition, (sent) => {
        const read = readCompositionPacket(encoded(sent))
        expect(read.ok).toBe(true)
        expect(read.fatPercent).toBeCloseTo(sent.fat / 10, 6)
        expect(read.time).toBe(sent.time && sent.time.toISOString().slice(0, 19))
        expect([read.userId, read.inParts]).toEqual([sent.user, sent.parts])
        FIELDS.forEach(([, name, si, imperial], i) => {
          const value = sent.values[i]
          if (value === null || value === undefined) expect(read[name]).toBeNull()
          else expect(read[name]).toBeCloseTo(value * (sent.imperial ? imperial : si), 4)
        })
      }),
    )
  })

  test('that is cut short, or longer than it says, is refused with what it should have', () => {
    fc.assert(
      fc.property(composition, (sent) => {
        const whole = encoded(sent)
        for (let length = 0; length < whole.length; length++)
          expect(() => readCompositionPacket(whole.subarray(0, length))).toThrow(InputError)
        expect(() => readCompositionPacket(Uint8Array.from([...whole, 0]))).toThrow(InputError)
      }),
      { numRuns: 30 },
    )
  })

  test('in two packets is one measurement', () => {
    // Fat and mass in the first; muscle in the second, which names the fat again.
    const first = readCompositionPacket(bytes('00 14 dc 00 b0 36'))
    const second = readCompositionPacket(bytes('20 10 dc 00 40 1f'))
    expect([first.inParts, second.inParts]).toEqual([true, true])
    expect(joinParts(first, second)).toMatchObject({
      ...{ ok: true, inParts: false, fatPercent: 22, massKg: 70, muscleKg: 40 },
    })
  })

  test('that failed has no value', () => {
    expect(readCompositionPacket(bytes('00 04 ff ff b0 36'))).toMatchObject({
      ...{ ok: false, fatPercent: null, massKg: null },
    })
  })
})

test('whatever comes over the air is read or refused, and nothing else happens', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('2a9d' as const, '2a9c' as const),
      fc.uint8Array({ maxLength: 40 }),
      (id, sent) => {
        try {
          const read = readPacket(id, sent)
          for (const value of Object.values(read))
            if (typeof value === 'number') expect(value).toBeGreaterThanOrEqual(0)
        } catch (error) {
          expect(error).toBeInstanceOf(InputError)
          expect((error as InputError).input).toBe('packet')
        }
      },
    ),
    { numRuns: 2000 },
  )
})
