import type { LengthUnit, MassUnit } from '#core'
import { language } from '../words/say'

export const KEPT_ON_DEVICE = { maxAge: 60 * 60 * 24 * 365 * 5, sameSite: 'strict' } as const

export const MASS_UNITS = [
  { value: 'kg', name: 'kg' },
  { value: 'lb', name: 'lb' },
] as { value: MassUnit; name: string }[]

export const LENGTH_UNITS = [
  { value: 'cm', name: 'cm' },
  { value: 'in', name: 'in' },
] as { value: LengthUnit; name: string }[]

/** The units that people of the language's country think in. */
const usualUnits = () =>
  new Intl.Locale(language()).region === 'US'
    ? ({ mass: 'lb', length: 'in' } as const)
    : ({ mass: 'kg', length: 'cm' } as const)

/** How this coach thinks of mass. Kept in a cookie, so that pages rendered on the server show it too. */
export function useMassUnit() {
  return useCookie<MassUnit>('oak-pinch-mass-unit', {
    default: () => usualUnits().mass,
    ...KEPT_ON_DEVICE,
  })
}

/** How this coach thinks of girths. */
export function useLengthUnit() {
  return useCookie<LengthUnit>('oak-pinch-length-unit', {
    default: () => usualUnits().length,
    ...KEPT_ON_DEVICE,
  })
}
