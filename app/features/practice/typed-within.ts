import { plainText, typedNumber } from '#core'

/** A number that was typed, where it is one from low to high. */
export function typedWithin(text: string, low: number, high: number): number | undefined {
  const value = typedNumber(plainText(text))
  return value !== undefined && value >= low && value <= high ? value : undefined
}
