import type { PacketId } from '#core'

/** The two services that are spoken, and what they send: Weight Scale, and Body Composition. */
export const SERVICES = [
  { service: 0x181d, sends: '2a9d' },
  { service: 0x181b, sends: '2a9c' },
] as const

/** What is told of a device while it is open. */
export interface Listener {
  heard(id: PacketId, bytes: Uint8Array): void
  /** It went away by itself. */
  lost(): void
}

/** A scale or a body composition monitor: a real one, or one that stands in. */
export interface BodyDevice {
  name: string
  /** It invents what it measures. */
  standsIn: boolean
  /** @throws Error in words where it cannot be reached */
  open(listener: Listener): Promise<void>
  close(): void
}
