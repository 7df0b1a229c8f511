import type { MassUnit } from '#core'

/** How this coach thinks of mass. Kept in a cookie, so that pages rendered on the server show it too. */
export function useMassUnit() {
  return useCookie<MassUnit>('oak-pinch-mass-unit', {
    default: () => 'kg',
    maxAge: 60 * 60 * 24 * 365 * 5,
    sameSite: 'strict',
  })
}
