import fc from 'fast-check'
import { limitsOf, type Reading, type SiteId, type SkinfoldId } from '#core'

/** Runs a function that must throw, and gives back what it threw. */
export function thrownBy(run: () => unknown): unknown {
  try {
    run()
  } catch (error) {
    return error
  }
  throw new Error('Nothing was thrown.')
}

/** Any value of a site inside its soft limits, in steps of a tenth. */
export function plausibleValue(site: SiteId): fc.Arbitrary<number> {
  const { softLow, softHighMale, softHighFemale } = limitsOf(site)
  return fc
    .integer({
      min: Math.ceil(softLow * 10),
      max: Math.floor(Math.min(softHighMale, softHighFemale) * 10),
    })
    .map((tenths) => tenths / 10)
}

let serial = 0

/** A fold reading as the check-in makes it. */
export function fold(
  site: SkinfoldId,
  trial: number,
  value: number,
  more: Partial<Reading> = {},
): Reading {
  serial++
  return {
    id: `r${String(serial).padStart(6, '0')}`,
    kind: 'skinfold',
    site,
    standard: 'us',
    trial,
    value,
    takenAt: new Date(Date.UTC(2026, 0, 1) + serial * 1000).toISOString(),
    supersedes: null,
    ...more,
  }
}
