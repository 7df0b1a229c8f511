import { say } from '../say'
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

/** A picture freed of everything beside it, and how large the picture itself says it is, pixels. */
interface Plain {
  bytes: Uint8Array
  width: number
  height: number
}

/** Where the compressed data of a scan ends: the next marker that is not stuffing or a restart. */
function endOfScan(bytes: Uint8Array, from: number): number {
  let at = from
  while (at + 1 < bytes.length) {
    const next = bytes[at + 1]!
    if (bytes[at] === 0xff && next !== 0 && next !== 0xff && !(next >= 0xd0 && next <= 0xd7))
      return at
    at++
  }
  return bytes.length
}

/** JPEG (ITU T.81): everything but the application segments 1 to 15 and comments, up to the end of the image. */
function plainJpeg(bytes: Uint8Array): Plain | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length)
  const parts = [bytes.subarray(0, 2)]
  let size: { width: number; height: number } | undefined
  let at = 2
  while (at + 2 <= bytes.length) {
    if (bytes[at] !== 0xff) return undefined
    const marker = bytes[at + 1]!
    if (marker === 0xd9) {
      return size && { bytes: joined([...parts, bytes.subarray(at, at + 2)]), ...size }
    }
    if (at + 4 > bytes.length) return undefined
    let end = at + 2 + view.getUint16(at + 2)
    // A start of frame: C0 to CF but for the tables C4, C8 and CC.
    const frame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)
    if (frame && at + 9 <= bytes.length) {
      size = { height: view.getUint16(at + 5), width: view.getUint16(at + 7) }
    }
    if (marker === 0xda) end = endOfScan(bytes, end)
    if (end > bytes.length) return undefined
    const metadata = (marker >= 0xe1 && marker <= 0xef) || marker === 0xfe
    if (!metadata) parts.push(bytes.subarray(at, end))
    at = end
  }
  return undefined
}

/** What a PNG needs to be drawn; every other chunk may hold anything. */
const PNG_CHUNKS = new Set(['IHDR', 'PLTE', 'IDAT', 'IEND', 'tRNS', 'gAMA', 'cHRM', 'sRGB', 'sBIT'])

/** PNG (RFC 2083): the chunks that draw the picture, up to its end. */
function plainPng(bytes: Uint8Array): Plain | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length)
  const parts = [bytes.subarray(0, 8)]
  let at = 8
  while (at + 12 <= bytes.length) {
    const end = at + 12 + view.getUint32(at)
    if (end > bytes.length) return undefined
    const name = ascii(bytes, at + 4, at + 8)
    if (at === 8 && (name !== 'IHDR' || end < 33)) return undefined
    if (PNG_CHUNKS.has(name)) parts.push(bytes.subarray(at, end))
    if (name === 'IEND') {
      return { bytes: joined(parts), width: view.getUint32(16), height: view.getUint32(20) }
    }
    at = end
  }
  return undefined
}

const EXIF_AND_XMP_FLAGS = 0x08 | 0x04
/** What a WebP needs to be drawn. */
const WEBP_CHUNKS = new Set(['VP8 ', 'VP8L', 'VP8X', 'ALPH', 'ANIM', 'ANMF', 'ICCP'])

/** The size that one chunk of a WebP states, pixels. */
function webpSize(name: string, chunk: Uint8Array) {
  const view = new DataView(chunk.buffer, chunk.byteOffset, chunk.length)
  const three = (at: number) => view.getUint16(at, true) + (view.getUint8(at + 2) << 16)
  if (name === 'VP8X' && chunk.length >= 18) return { width: three(12) + 1, height: three(15) + 1 }
  if (name === 'VP8 ' && chunk.length >= 18) {
    return { width: view.getUint16(14, true) & 0x3fff, height: view.getUint16(16, true) & 0x3fff }
  }
  if (name === 'VP8L' && chunk.length >= 13) {
    const bits = view.getUint32(9, true)
    return { width: (bits & 0x3fff) + 1, height: ((bits >>> 14) & 0x3fff) + 1 }
  }
  return undefined
}

/** WebP (RFC 9649): the chunks that draw the picture, without the header's flags for EXIF and XMP. */
function plainWebp(bytes: Uint8Array): Plain | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length)
  const parts: Uint8Array[] = []
  let size: { width: number; height: number } | undefined
  const whole = Math.min(bytes.length, 8 + view.getUint32(4, true))
  let at = 12
  while (at + 8 <= whole) {
    const length = view.getUint32(at + 4, true)
    const end = at + 8 + length + (length % 2)
    if (at + 8 + length > whole) return undefined
    const name = ascii(bytes, at, at + 4)
    const chunk = bytes.slice(at, end)
    if (name === 'VP8X') chunk[8] = chunk[8]! & ~EXIF_AND_XMP_FLAGS
    size ??= webpSize(name, chunk)
    if (WEBP_CHUNKS.has(name)) parts.push(chunk)
    at = end
  }
  const body = joined(parts)
  const head = bytes.slice(0, 12)
  new DataView(head.buffer).setUint32(4, body.length + 4, true)
  return parts.length > 0 && size ? { bytes: joined([head, body]), ...size } : undefined
}

/**
 * A picture without the place, the camera and everything else that is written into it beside the picture itself.
 *
 * @param stated how large it is said to be, pixels
 * @throws InputError naming `photo` where the bytes are not a picture of that type and size
 */
export function withoutMetadata(
  bytes: Uint8Array,
  type: PictureType,
  stated?: { width: number; height: number },
): Uint8Array {
  const read = { 'image/jpeg': plainJpeg, 'image/png': plainPng, 'image/webp': plainWebp }[type]
  const plain = bytes.length >= 12 && STARTS[type]?.(bytes) ? read(bytes) : undefined
  if (!plain) {
    throw inputError(
      'photo',
      'not-a-number',
      say('files.photo'),
      say('files.bytes', { count: bytes.length }),
      say('files.whole', { type }),
    )
  }
  const { width, height } = plain
  if (stated && (stated.width !== width || stated.height !== height)) {
    throw inputError(
      'photo',
      'impossible',
      say('files.photo'),
      say('files.pictureX', { width, height }),
      say('files.oneXPixelsWasSaid', { width: stated.width, height: stated.height }),
    )
  }
  return plain.bytes
}
