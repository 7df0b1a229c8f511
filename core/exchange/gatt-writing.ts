import type { CompositionPacket, WeightPacket } from './gatt-packets'

/*
 * The packets of core/exchange/gatt-packets.ts the other way: what the stand-ins of a scale and of a monitor send, so that
 * nothing is pretended behind the reader. In SI units.
 */

const FAILED = 0xffff
const word = (value: number) => [value & 0xff, value >> 8]
/** As near as steps of that size come; what is beyond the field is its largest that is a value. */
const steps = (value: number, step: number) =>
  word(Math.min(FAILED - 1, Math.max(0, Math.round(value / step))))
const MASS_STEP_KG = 0.005
const mass = (kg: number) => steps(kg, MASS_STEP_KG)

/** A Weight Measurement (0x2A9D). @param massKg kg, to the nearest 0.005; null for a weighing that failed */
export const writeWeightPacket = ({
  massKg,
  userId,
}: Pick<WeightPacket, 'massKg' | 'userId'>): Uint8Array =>
  Uint8Array.from([
    userId === null ? 0 : 0b100,
    ...(massKg === null ? word(FAILED) : mass(massKg)),
    ...(userId === null ? [] : [userId]),
  ])

/**
 * A Body Composition Measurement (0x2A9C).
 *
 * @param packet percent, kg and ohm; a fat % of null is a measurement that failed
 */
export function writeCompositionPacket({
  fatPercent,
  impedanceOhm,
  massKg,
  inParts,
}: Pick<CompositionPacket, 'fatPercent' | 'impedanceOhm' | 'massKg' | 'inParts'>): Uint8Array {
  const flags =
    (impedanceOhm === null ? 0 : 1 << 9) | (massKg === null ? 0 : 1 << 10) | (inParts ? 1 << 12 : 0)
  return Uint8Array.from([
    ...word(flags),
    ...(fatPercent === null ? word(FAILED) : steps(fatPercent, 0.1)),
    ...(impedanceOhm === null ? [] : steps(impedanceOhm, 0.1)),
    ...(massKg === null ? [] : mass(massKg)),
  ])
}
