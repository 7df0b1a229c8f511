import { inputError } from '../errors'

/** Pictures that can be freed of what a camera writes into them. */
export type PictureType = 'image/jpeg' | 'image/png' | 'image/webp'

const STARTS: Record<PictureType, (bytes: Uint8Array) => boolean> = {
  'image/jpeg': (b) => b[0] === 0xff && b[1] === 0xd8,
  'image/png': (b) => [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a].every((v, i) => b[i] === v),
  'image/webp': (b) => ascii(b, 0, 4) === 'RIFF' && ascii(b, 8, 12) === 'WEBP',
}

function ascii(bytes: Uint8Array, from: number, to: number): string {
  return String.fromCharCode(...bytes.subarray(from, to))
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((total, part) => total + part.length, 0))
  let at = 0
  for (const part of parts) {
    whole.set(part, at)
    at += part.length
  }
  return whole
}

/** JPEG (ITU T.81): everything but the application segments 1 to 15 and comments. */
function plainJpeg(bytes: Uint8Array): Uint8Array | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length)
  const parts = [bytes.subarray(0, 2)]
  let at = 2
  while (at + 4 <= bytes.length) {
    if (bytes[at] !== 0xff) return undefined
    const marker = bytes[at + 1]!
    // From the start of the scan on there is only the picture.
    if (marker === 0xda) return joined([...parts, bytes.subarray(at)])
    const end = at + 2 + view.getUint16(at + 2)
    if (end > bytes.length) return undefined
    const metadata = (marker >= 0xe1 && marker <= 0xef) || marker === 0xfe
    if (!metadata) parts.push(bytes.subarray(at, end))
    at = end
  }
  return undefined
}

const PNG_METADATA = new Set(['tEXt', 'zTXt', 'iTXt', 'eXIf', 'tIME'])

/** PNG (RFC 2083): every chunk but text, time and EXIF. */
function plainPng(bytes: Uint8Array): Uint8Array | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length)
  const parts = [bytes.subarray(0, 8)]
  let at = 8
  while (at + 12 <= bytes.length) {
    const end = at + 12 + view.getUint32(at)
    if (end > bytes.length) return undefined
    const name = ascii(bytes, at + 4, at + 8)
    if (!PNG_METADATA.has(name)) parts.push(bytes.subarray(at, end))
    if (name === 'IEND') return joined(parts)
    at = end
  }
  return undefined
}

const EXIF_AND_XMP_FLAGS = 0x08 | 0x04

/** WebP (RFC 9649): every chunk but EXIF and XMP, and the header's flags for them. */
function plainWebp(bytes: Uint8Array): Uint8Array | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length)
  const parts: Uint8Array[] = []
  let at = 12
  while (at + 8 <= bytes.length) {
    const length = view.getUint32(at + 4, true)
    const end = at + 8 + length + (length % 2)
    if (at + 8 + length > bytes.length) return undefined
    const name = ascii(bytes, at, at + 4)
    const chunk = bytes.slice(at, end)
    if (name === 'VP8X') chunk[8] = chunk[8]! & ~EXIF_AND_XMP_FLAGS
    if (name !== 'EXIF' && name !== 'XMP ') parts.push(chunk)
    at = end
  }
  const body = joined(parts)
  const head = bytes.slice(0, 12)
  new DataView(head.buffer).setUint32(4, body.length + 4, true)
  return parts.length > 0 ? joined([head, body]) : undefined
}

/**
 * A picture without the place, the camera and everything else that is written into it beside the picture itself.
 *
 * @throws InputError naming `photo` where the bytes are not a picture of that type
 */
export function withoutMetadata(bytes: Uint8Array, type: PictureType): Uint8Array {
  const plain = STARTS[type]?.(bytes)
    ? { 'image/jpeg': plainJpeg, 'image/png': plainPng, 'image/webp': plainWebp }[type](bytes)
    : undefined
  if (!plain) {
    throw inputError('photo', 'not-a-number', 'Photo', `${bytes.length} bytes`, `a whole ${type}`)
  }
  return plain
}
