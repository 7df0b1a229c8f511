import { type Key, type PacketId, writeCompositionPacket, writeWeightPacket } from '#core'
import type { BodyDevice } from './device'

/*
 * Devices that stand in for real ones: they send the very bytes and keys that those send, from any window of this browser
 * to every other, so that all of it can be tried without hardware.
 */

/** What stands in. */
export const STAND_INS = ['scale', 'monitor'] as const
export type StandIn = (typeof STAND_INS)[number]

/** One thing that a stand-in sends, so many ms after it began. */
interface Sent {
  after: number
  id: PacketId
  bytes: Uint8Array
}

const channel = (name: string) => new BroadcastChannel(`oak-pinch-${name}`)

/** A stand-in as the check-in knows any device. */
export function standIn(kind: StandIn): BodyDevice {
  let open: BroadcastChannel | undefined
  return {
    name: t(`devices.standIn.${kind}`),
    standsIn: true,
    open(listener) {
      open = channel(kind)
      open.onmessage = ({ data }: MessageEvent<Omit<Sent, 'after'>>) =>
        listener.heard(data.id, data.bytes)
      return Promise.resolve()
    },
    close: () => open?.close(),
  }
}

/** How a scale wanders until who steps on it stands still: shares of the mass, by ms. */
const SETTLING = [
  [0, 0.55],
  [250, 0.91],
  [500, 1.03],
  [750, 0.992],
] as const
const STILL_AT_MS = 1000

/** Somebody steps on. @param stands false for who does not stand still: the scale gives up */
export function stepOnScale(massKg: number, stands = true): Sent[] {
  const weight = (after: number, kg: number | null): Sent => ({
    after,
    id: '2a9d',
    bytes: writeWeightPacket({ massKg: kg, userId: null }),
  })
  const settling = SETTLING.map(([after, share]) => weight(after, massKg * share))
  return [...settling, weight(STILL_AT_MS, stands ? massKg : null)]
}

/** What a monitor makes of everybody, points of fat above what folds say, and how it wanders from day to day. Judgement. */
export const MONITOR = { bias: 2.6, daySd: 1.4, leastFat: 4, mostFat: 60 }
/** What is measured between hand and foot, ohm; fat conducts badly. Judgement. */
const OHM = { lean: 380, aPoint: 5 }

/** What a monitor takes somebody's fat to be. @param random from 0 up to 1 */
export function monitorsFat(fatPercent: number, random: () => number): number {
  // Twelve of them are about as normal as a day is.
  const normal = Array.from({ length: 12 }, random).reduce((sum, one) => sum + one, -6)
  const read = fatPercent + MONITOR.bias + MONITOR.daySd * normal
  return Math.min(MONITOR.mostFat, Math.max(MONITOR.leastFat, read))
}

/** The same on a monitor, which sends its idea of fat in one packet and the mass in another. */
export function stepOnMonitor(massKg: number, fatPercent: number, stands = true): Sent[] {
  const impedanceOhm = OHM.lean + OHM.aPoint * fatPercent
  const part = (after: number, rest: { massKg: number | null; impedanceOhm: number | null }) => ({
    after,
    id: '2a9c' as const,
    bytes: writeCompositionPacket({
      fatPercent: stands ? fatPercent : null,
      inParts: stands,
      ...rest,
    }),
  })
  if (!stands) return [part(STILL_AT_MS, { massKg: null, impedanceOhm: null })]
  return [
    part(STILL_AT_MS, { massKg: null, impedanceOhm }),
    part(STILL_AT_MS + 200, { massKg, impedanceOhm: null }),
  ]
}

/** Sends it all, each at its time. @returns what stops it */
export function play(kind: StandIn, all: readonly Sent[]): () => void {
  const to = channel(kind)
  const timers = all.map(({ after, ...packet }) => setTimeout(() => to.postMessage(packet), after))
  return () => {
    for (const timer of timers) clearTimeout(timer)
    to.close()
  }
}

/** How fast an instrument types, ms from key to key. */
const KEY_MS = 6

/** The keys of a value, as an instrument that types sends them. */
export const keysOf = (text: string, at: number): Key[] =>
  [...text, 'Enter'].map((key, i) => ({ key, at: at + i * KEY_MS }))

/** Types into every window of this browser that listens. */
export function typeAway(keys: readonly Key[]): void {
  const to = channel('keys')
  to.postMessage(keys)
  to.close()
}

/** Hears what a stand-in types. @returns what ends it */
export function hearTyping(heard: (keys: Key[]) => void): () => void {
  const from = channel('keys')
  from.onmessage = ({ data }: MessageEvent<Key[]>) => heard(data)
  return () => from.close()
}
