import type { LengthUnit, MassUnit } from '#core'

const KEPT = { maxAge: 60 * 60 * 24 * 365 * 5, sameSite: 'strict' } as const

/** How this coach thinks of mass. Kept in a cookie, so that pages rendered on the server show it too. */
export function useMassUnit() {
  return useCookie<MassUnit>('oak-pinch-mass-unit', { default: () => 'kg', ...KEPT })
}

/** How this coach thinks of girths. */
export function useLengthUnit() {
  return useCookie<LengthUnit>('oak-pinch-length-unit', { default: () => 'cm', ...KEPT })
}
