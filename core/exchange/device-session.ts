import { limitsOf } from '../anatomy/limits'
import { hearWeight, STEADY_MS, type Weighing } from '../readings/weighing'
import {
  type CompositionPacket,
  joinParts,
  type PacketId,
  readPacket,
  type WeightPacket,
} from './gatt-packets'

/* What a scale or a body composition monitor has said so far, packet by packet, and what of it counts. */

/** What has been heard of a device. */
export interface Heard {
  /** What stands on it now. */
  weighing?: Weighing
  /** What the device makes of who stands there. */
  composition?: Pick<CompositionPacket, 'fatPercent' | 'impedanceOhm'>
  /** The first of two packets of one measurement. */
  half?: { packet: CompositionPacket; at: number }
  /** The device's own clock, as the newest packet has it. */
  clock: string | null
  /** What is wrong with the newest packet. One that failed leaves nothing standing, one that cannot be read changes nothing. */
  wrong?: 'failed' | 'unreadable'
}

export const NOTHING_HEARD: Heard = { clock: null }

/** Two packets of one measurement come within so long of each other, ms. Judgement, no source. */
const PARTS_MS = 3000

/**
 * One packet more.
 *
 * @param at ms, by any clock that only goes on
 */
export function hearPacket(heard: Heard, id: PacketId, bytes: Uint8Array, at: number): Heard {
  const { wrong: _, ...before } = heard
  let packet: WeightPacket | CompositionPacket
  try {
    packet = readPacket(id, bytes)
  } catch {
    return { ...before, wrong: 'unreadable' }
  }
  // Half a measurement waits for its other half.
  if (packet.kind === 'composition' && packet.inParts) {
    const { half, ...rest } = before
    if (!half || at - half.at > PARTS_MS) return { ...rest, half: { packet, at } }
    return take(rest, joinParts(half.packet, packet), at)
  }
  return take(before, packet, at)
}

function take(before: Heard, packet: WeightPacket | CompositionPacket, at: number): Heard {
  // What failed leaves nothing standing: who stood badly is weighed again.
  if (!packet.ok) return { clock: packet.time, wrong: 'failed' }
  const composition =
    packet.kind === 'composition'
      ? { fatPercent: packet.fatPercent, impedanceOhm: packet.impedanceOhm }
      : undefined
  const { massKg } = packet
  if (massKg === null) return { ...before, ...(composition && { composition }), clock: packet.time }
  // Nobody stands on it.
  if (massKg < limitsOf('mass').hardLow) return { clock: packet.time }
  const weighing = hearWeight(before.weighing, massKg, at)
  const kept = composition ?? (weighing.since === at ? undefined : before.composition)
  return { weighing, ...(kept && { composition: kept }), clock: packet.time }
}

/** What a device has measured. */
export interface DeviceMeasurement {
  massKg: number
  fatPercent: number | null
  impedanceOhm: number | null
  /** The device's own clock, without a zone. */
  clock: string | null
}

/**
 * What counts of what was heard: a weight that is steady, with what the device makes of it.
 *
 * @param at ms, by the clock of `heard`
 * @returns undefined while nothing is steady
 */
export function measurementOf(
  { weighing, composition, clock }: Heard,
  at: number,
): DeviceMeasurement | undefined {
  if (!weighing || at - weighing.since < STEADY_MS) return undefined
  const { fatPercent = null, impedanceOhm = null } = composition ?? {}
  return { massKg: weighing.massKg, fatPercent, impedanceOhm, clock }
}

/** A clock that is off by more may mean a weighing of earlier that is sent late, minutes. Judgement, no source. */
const LATE_MINUTES = 15
const MS_A_MINUTE = 60_000

/**
 * Whether a device's clock says that a measurement is of another time. Scales keep what they could not send, and send it when
 * they next can; a clock that is not set says the same, so it is asked and not refused.
 *
 * @param clock as the device has it, of no zone
 * @param now the time here, likewise of no zone
 */
export function isOfAnotherTime(clock: string | null, now: string): boolean {
  if (clock === null) return false
  const apart = Math.abs(Date.parse(`${clock}Z`) - Date.parse(`${now}Z`))
  return apart > LATE_MINUTES * MS_A_MINUTE
}
