/** The verb `packet`: what a scale or a monitor sent over Bluetooth. */
import { type PacketId, PACKETS, readPacket } from '../core/exchange/gatt-packets'
import { write } from './files'
import { UsageError, type Verb } from './verb'

/** @throws UsageError for what is no row of bytes */
function bytesOf(hex: string): Uint8Array {
  const plain = hex.replaceAll(/^0x|[\s:-]/gi, '')
  if (!/^(?:[\da-f]{2})+$/i.test(plain))
    throw new UsageError(`HEX: got "${hex}". Accepted: pairs of hexadecimal digits, as 00B036.`)
  return Uint8Array.from(plain.match(/../g)!, (pair) => Number.parseInt(pair, 16))
}

export const packet: Verb = {
  summary: 'what a scale or a body composition monitor sent over Bluetooth, as JSON',
  help: `ID HEX

  ID   2a9d for a weight measurement, 2a9c for a body composition measurement.
  HEX  Its bytes as they came, as 00B036; blanks, colons and hyphens between them are let through.
  Masses are in kg and heights in cm, whatever the device sent; ok is false where it says that it failed.`,
  async run([id, ...hex]) {
    const plain = id?.toLowerCase().replace(/^0x/, '')
    if (!PACKETS.some((known) => known === plain))
      throw new UsageError(
        `ID: ${id === undefined ? 'is missing' : `got "${id}"`}. Accepted: ${PACKETS.join(', ')}.`,
      )
    if (hex.length === 0) throw new UsageError('HEX: is missing. Accepted: bytes, as 00B036.')
    const read = readPacket(plain as PacketId, bytesOf(hex.join('')))
    await write(`${JSON.stringify(read, undefined, 2)}\n`)
    return 0
  },
}
