import { tell } from '../support/words'
import { describe, expect, test } from 'vitest'
import { type InputError, alignedIn, withoutMetadata } from '#core'
import { thrownBy } from './support'

const text = (words: string) => [...words].map((c) => c.charCodeAt(0))
const has = (bytes: Uint8Array, words: string) => Buffer.from(bytes).includes(words)

/* Smallest shapes of the formats: ITU T.81 (JPEG), RFC 2083 (PNG), RFC 9649 (WebP), from memory. */
const jpegSegment = (marker: number, body: number[]) => [
  ...[0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 255],
  ...body,
]
const jpeg = Uint8Array.from([
  ...[0xff, 0xd8],
  ...jpegSegment(0xe0, text('JFIF\0')),
  ...jpegSegment(0xe1, text('Exif\0\0GPS 52.1 4.3')),
  ...jpegSegment(0xfe, text('a comment')),
  ...jpegSegment(0xdb, [1, 2, 3]),
  // Start of frame: 8 bits, 5 high, 4 wide.
  ...jpegSegment(0xc0, [8, 0, 5, 0, 4, 1]),
  ...[0xff, 0xda, 0, 3, 1, 9, 0xff, 0, 9, 0xff, 0xd9],
  ...text('hidden behind the end'),
])
const pngChunk = (name: string, body: number[]) => [
  ...[0, 0, 0, body.length],
  ...text(name),
  ...body,
  ...[0, 0, 0, 0],
]
const png = Uint8Array.from([
  ...[0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
  ...pngChunk('IHDR', [0, 0, 0, 4, 0, 0, 0, 5, 8, 6, 0, 0, 0]),
  ...pngChunk('tEXt', text('Author somebody')),
  ...pngChunk('eXIf', text('GPS')),
  ...pngChunk('seCr', text('a chunk of ones own')),
  ...pngChunk('IDAT', [7]),
  ...pngChunk('IEND', []),
  ...text('hidden behind the end'),
])
const webpChunk = (name: string, body: number[]) => [...text(name), body.length, 0, 0, 0, ...body]
const webpBody = [
  ...webpChunk('VP8X', [0x0c, 0, 0, 0, 3, 0, 0, 4, 0, 0]),
  ...webpChunk('VP8 ', [1, 2]),
  ...webpChunk('EXIF', text('GPS 52.1')),
]
const webp = Uint8Array.from([
  ...text('RIFF'),
  ...[webpBody.length + 4, 0, 0, 0],
  ...text('WEBP'),
  ...webpBody,
])

describe('a picture without its metadata', () => {
  test('JPEG: EXIF and comments go, the picture stays', () => {
    const plain = withoutMetadata(jpeg, 'image/jpeg')
    expect(has(plain, 'GPS') || has(plain, 'comment')).toBe(false)
    expect(has(plain, 'JFIF')).toBe(true)
    expect([...plain.slice(-2)]).toEqual([0xff, 0xd9])
    expect(has(plain, 'hidden')).toBe(false)
    expect(withoutMetadata(plain, 'image/jpeg')).toEqual(plain)
  })

  test('PNG: text, time and EXIF go', () => {
    const plain = withoutMetadata(png, 'image/png')
    expect(has(plain, 'Author') || has(plain, 'GPS')).toBe(false)
    expect(has(plain, 'seCr') || has(plain, 'hidden')).toBe(false)
    expect(has(plain, 'IHDR') && has(plain, 'IDAT') && has(plain, 'IEND')).toBe(true)
  })

  test('WebP: EXIF goes, with its flag and its length', () => {
    const plain = withoutMetadata(webp, 'image/webp')
    expect(has(plain, 'EXIF')).toBe(false)
    expect(plain[4]).toBe(plain.length - 8)
    expect(plain[20]).toBe(0)
  })

  test.each([
    [jpeg, 'image/jpeg'],
    [png, 'image/png'],
    [webp, 'image/webp'],
  ] as const)('a picture of another size than it is said to be is refused', (bytes, type) => {
    expect(withoutMetadata(bytes, type, { width: 4, height: 5 }).length).toBeGreaterThan(0)
    const error = thrownBy(() =>
      withoutMetadata(bytes, type, { width: 50, height: 5 }),
    ) as InputError
    expect(tell(error.said)).toMatch(/Got a picture of 4 x 5/)
  })

  test.each([
    [png, 'image/jpeg'],
    [jpeg.slice(0, 30), 'image/jpeg'],
    [png.slice(0, 20), 'image/png'],
    [Uint8Array.from(text('<svg onload="x">')), 'image/png'],
  ] as const)('what is no whole picture of its type is refused', (bytes, type) => {
    const error = thrownBy(() => withoutMetadata(bytes, type)) as InputError
    expect(tell(error.said)).toMatch(/Photo: enter a whole image.* Got /)
  })
})

test('two pictures taken from other distances stand on one another by crown and floor', () => {
  const frame = { width: 340, height: 560 }
  const near = {
    width: 600,
    height: 900,
    crown: { x: 0.5, y: 0.1 },
    groundPoint: { x: 0.5, y: 0.9 },
  }
  const far = {
    width: 1200,
    height: 1600,
    crown: { x: 0.3, y: 0.4 },
    groundPoint: { x: 0.3, y: 0.7 },
  }
  const spots = [near, far].map((picture) => {
    const at = alignedIn(picture, frame)!
    const { crown, groundPoint } = picture
    expect(at.width / at.height).toBeCloseTo(picture.width / picture.height, 9)
    return [
      at.left + crown.x * at.width,
      at.top + crown.y * at.height,
      at.top + groundPoint.y * at.height,
    ]
  })
  for (const i of [0, 1, 2]) expect(spots[0]![i]).toBeCloseTo(spots[1]![i]!, 9)
  expect(alignedIn({ ...near, groundPoint: near.crown }, frame)).toBeUndefined()
})
