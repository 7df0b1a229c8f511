/** A point of a picture as shares of its width and height. */
export interface PicturePoint {
  x: number
  y: number
}

export interface AlignedPicture {
  width: number
  height: number
  crown: PicturePoint
  groundPoint: PicturePoint
}

/** Where a picture is put in a frame: px of the frame from its left and top, and the picture's width there. */
export interface Placement {
  left: number
  top: number
  width: number
  height: number
}

/** Shares of the frame's height at which crown and ground stand. */
const CROWN_AT = 0.06
const FLOOR_AT = 0.96

/**
 * Scales and moves a picture so that the crown of the head and the ground stand at the same places of the frame in every
 * picture: what differs is then the person and not the camera. The crown is in the middle; nothing is turned.
 *
 * @param picture in pixels, with its two points
 * @param frame in pixels
 * @returns undefined where the ground is not below the crown
 */
export function alignedIn(
  { width, height, crown, groundPoint }: AlignedPicture,
  frame: { width: number; height: number },
): Placement | undefined {
  const tall = (groundPoint.y - crown.y) * height
  if (!(tall > 0)) return undefined
  const scale = (frame.height * (FLOOR_AT - CROWN_AT)) / tall
  return {
    left: frame.width / 2 - crown.x * width * scale,
    top: frame.height * CROWN_AT - crown.y * height * scale,
    width: width * scale,
    height: height * scale,
  }
}
