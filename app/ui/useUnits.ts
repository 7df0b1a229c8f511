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

/** What is kept in a cookie of this device, or what is usual in its language while nothing was chosen. */
function useChosen<T extends string>(name: string, usual: () => T) {
  // Without a default of its own: that would be written down as if it had been chosen.
  const kept = useCookie<T | undefined>(name, KEPT_ON_DEVICE)
  return computed<T>({ get: () => kept.value ?? usual(), set: (value) => (kept.value = value) })
}

/** How this coach thinks of mass. Kept in a cookie, so that pages rendered on the server show it too. */
export const useMassUnit = () => useChosen<MassUnit>('oak-pinch-mass-unit', () => usualUnits().mass)

/** How this coach thinks of girths. */
export const useLengthUnit = () =>
  useChosen<LengthUnit>('oak-pinch-length-unit', () => usualUnits().length)
