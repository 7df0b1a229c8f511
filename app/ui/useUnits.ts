import type { LengthUnit, MassUnit } from '#core'

export const KEPT_ON_DEVICE = { maxAge: 60 * 60 * 24 * 365 * 5, sameSite: 'strict' } as const

export const MASS_UNITS = [
  { value: 'kg', name: 'kg' },
  { value: 'lb', name: 'lb' },
] as { value: MassUnit; name: string }[]

export const LENGTH_UNITS = [
  { value: 'cm', name: 'cm' },
  { value: 'in', name: 'in' },
] as { value: LengthUnit; name: string }[]

/** How this coach thinks of mass. Kept in a cookie, so that pages rendered on the server show it too. */
export function useMassUnit() {
  return useCookie<MassUnit>('oak-pinch-mass-unit', { default: () => 'kg', ...KEPT_ON_DEVICE })
}

/** How this coach thinks of girths. */
export function useLengthUnit() {
  return useCookie<LengthUnit>('oak-pinch-length-unit', { default: () => 'cm', ...KEPT_ON_DEVICE })
}
