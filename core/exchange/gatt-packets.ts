import { inputError, type InputProblem } from '../errors'
import { type Message, say } from '../say'
import { CM_PER_INCH, KG_PER_POUND } from '../units/constants'

/*
 * What scales and body composition monitors send over Bluetooth: the characteristics Weight Measurement (0x2A9D) and Body
 * Composition Measurement (0x2A9C) as the GATT Specification Supplement of the Bluetooth SIG lays them out. Little-endian;
 * fields stand in the order of their flags; bits that are reserved say nothing.
 */

/** The characteristics that are read. */
export const PACKETS = ['2a9d', '2a9c'] as const
export type PacketId = (typeof PACKETS)[number]

interface Sent {
  /** False where the device says that its measurement failed: then no value counts. */
  ok: boolean
  /** As the device's clock has it, without a zone; null where it sends none, or knows none. */
  time: string | null
  /** Whom the device takes it to be of; null where it does not say, or does not know. */
  userId: number | null
  massKg: number | null
  heightCm: number | null
}

/** One weighing. */
export interface WeightPacket extends Sent {
  kind: 'weight'
  /** kg/m², as the device worked it out. */
  bmi: number | null
}

/** One measurement of a body composition monitor, or the half of one that is sent in two. */
export interface CompositionPacket extends Sent {
  kind: 'composition'
  fatPercent: number | null
  basalMetabolismKj: number | null
  musclePercent: number | null
  muscleKg: number | null
  fatFreeKg: number | null
  softLeanKg: number | null
  waterKg: number | null
  impedanceOhm: number | null
  /** Whether the rest comes with another packet. */
  inParts: boolean
}

const FAILED = 0xffff
const UNKNOWN_USER = 0xff
const IMPERIAL = 1

/** Reads a packet field by field. */
class Fields {
  private at = 0
  private readonly view: DataView

  constructor(bytes: Uint8Array) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  }

  private take(size: 1 | 2): number {
    const { byteLength } = this.view
    if (this.at + size > byteLength)
      throw this.wrong('missing', say('devices.atLeastBytes', { count: this.at + size }))
    const value = size === 1 ? this.view.getUint8(this.at) : this.view.getUint16(this.at, true)
    this.at += size
    return value
  }

  byte = () => this.take(1)
  word = () => this.take(2)

  /** A day and a time; null where the device does not know them, and where there is no such time. */
  time(): string | null {
    const [year, month, day] = [this.word(), this.byte(), this.byte()]
    const [hour, minute, second] = [this.byte(), this.byte(), this.byte()]
    const two = (value: number) => String(value).padStart(2, '0')
    const text = `${String(year).padStart(4, '0')}-${two(month)}-${two(day)}T${two(hour)}:${two(minute)}:${two(second)}`
    const read = new Date(`${text}Z`)
    return year > 0 && !Number.isNaN(read.getTime()) && read.toISOString().startsWith(text)
      ? text
      : null
  }

  user(): number | null {
    const id = this.byte()
    return id === UNKNOWN_USER ? null : id
  }

  /** @param reserved whether flags are set of which nothing is known: what they announce stands at the end */
  end(reserved: boolean): void {
    if (this.at < this.view.byteLength && !reserved)
      throw this.wrong('impossible', say('devices.justBytes', { count: this.at }))
  }

  private wrong(problem: InputProblem, accepted: Message) {
    return inputError('packet', problem, say('devices.packet'), this.view.byteLength, accepted)
  }
}

const scaled = (steps: number, step: number) => Math.round(steps * step * 1e6) / 1e6
const massOf = (imperial: boolean) => (steps: number) =>
  imperial ? scaled(steps, 0.01 * KG_PER_POUND) : scaled(steps, 0.005)
const heightOf = (imperial: boolean) => (steps: number) =>
  imperial ? scaled(steps, 0.1 * CM_PER_INCH) : scaled(steps, 0.1)

/**
 * Reads a Weight Measurement (0x2A9D).
 *
 * @throws InputError naming `packet` for one that is too short, or longer than its flags say
 */
export function readWeightPacket(bytes: Uint8Array): WeightPacket {
  const fields = new Fields(bytes)
  const flags = fields.byte()
  const has = (bit: number) => (flags & (1 << bit)) !== 0
  const imperial = (flags & IMPERIAL) !== 0
  const mass = fields.word()
  const time = has(1) ? fields.time() : null
  const userId = has(2) ? fields.user() : null
  const [bmi, height] = has(3) ? [fields.word(), fields.word()] : [null, null]
  fields.end(flags >> 4 !== 0)
  const ok = mass !== FAILED
  return {
    ...{ kind: 'weight', ok, time, userId },
    massKg: ok ? massOf(imperial)(mass) : null,
    bmi: ok && bmi !== null ? scaled(bmi, 0.1) : null,
    heightCm: ok && height !== null ? heightOf(imperial)(height) : null,
  }
}

/**
 * Reads a Body Composition Measurement (0x2A9C).
 *
 * @throws InputError naming `packet` for one that is too short, or longer than its flags say
 */
export function readCompositionPacket(bytes: Uint8Array): CompositionPacket {
  const fields = new Fields(bytes)
  const flags = fields.word()
  const has = (bit: number) => (flags & (1 << bit)) !== 0
  const imperial = (flags & IMPERIAL) !== 0
  const fat = fields.word()
  const ok = fat !== FAILED
  const mass = massOf(imperial)
  const field = (bit: number, read: (steps: number) => number) => {
    const steps = has(bit) ? fields.word() : null
    return ok && steps !== null ? read(steps) : null
  }
  // In the order in which they are sent.
  const time = has(1) ? fields.time() : null
  const userId = has(2) ? fields.user() : null
  const read: CompositionPacket = {
    ...{ kind: 'composition', ok, time, userId },
    fatPercent: ok ? scaled(fat, 0.1) : null,
    basalMetabolismKj: field(3, (steps) => steps),
    musclePercent: field(4, (steps) => scaled(steps, 0.1)),
    muscleKg: field(5, mass),
    fatFreeKg: field(6, mass),
    softLeanKg: field(7, mass),
    waterKg: field(8, mass),
    impedanceOhm: field(9, (steps) => scaled(steps, 0.1)),
    massKg: field(10, mass),
    heightCm: field(11, heightOf(imperial)),
    inParts: has(12),
  }
  fields.end(flags >> 13 !== 0)
  return read
}

/** Reads a packet of either characteristic. @throws InputError as those do */
export const readPacket = (id: PacketId, bytes: Uint8Array): WeightPacket | CompositionPacket =>
  id === '2a9d' ? readWeightPacket(bytes) : readCompositionPacket(bytes)

/**
 * The whole of a measurement that is sent in two packets: what the first does not say is as the second says it. It failed
 * where either says so.
 */
export function joinParts(first: CompositionPacket, second: CompositionPacket): CompositionPacket {
  const ok = first.ok && second.ok
  const joined = Object.fromEntries(
    Object.entries(first).map(([name, value]) => [name, value ?? second[name as keyof Sent]]),
  ) as unknown as CompositionPacket
  return { ...joined, ok, inParts: false }
}
