import { LONGEST_SIDE } from '#shared/contract/choices'

export interface PlainPicture {
  blob: Blob
  width: number
  height: number
}

const QUALITY = 0.88

/**
 * A picture drawn anew in the size that is kept. What the camera wrote beside the picture (place, time, model) does not
 * come along.
 *
 * @param how its longest side, pixels, and what it is written as; a photo's where not said
 * @throws Error in words where the file is no picture that this browser reads
 */
export async function plainPicture(
  source: Blob | HTMLVideoElement,
  { longest = LONGEST_SIDE, type = 'image/jpeg' }: { longest?: number; type?: string } = {},
): Promise<PlainPicture> {
  const bitmap = await createImageBitmap(source).catch(() => {
    throw new Error(t('photos.notAPicture'))
  })
  const scale = Math.min(1, longest / Math.max(bitmap.width, bitmap.height))
  const [width, height] = [bitmap.width, bitmap.height].map((side) => Math.round(side * scale)) as [
    number,
    number,
  ]
  const canvas = document.createElement('canvas')
  Object.assign(canvas, { width, height })
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, width, height)
  bitmap.close()
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, type, QUALITY))
  if (!blob) throw new Error(t('photos.cannotDraw'))
  return { blob, width, height }
}
