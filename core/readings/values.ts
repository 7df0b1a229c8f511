import { mean } from 'simple-statistics'
import type { Sex, SiteId } from '../anatomy/ids'
import { sitesOf } from '../protocols/registry'
import type { Protocol } from '../protocols/types'
import { type Reading, countedValue, readingsInForce } from './reading'
import { type SiteValue, siteValue } from './site-value'
import { schemeOf, trialsIn } from './trials'

/**
 * The value of every site of the protocol that has a trial.
 *
 * @returns by site id; mm for folds, cm for girths
 */
export function siteValues(
  protocol: Protocol,
  sex: Sex,
  readings: readonly Reading[],
): Partial<Record<SiteId, SiteValue>> {
  return siteValuesIn(protocol, sex, readingsInForce(readings))
}

/** As `siteValues`, of readings that are known to be in force. */
export function siteValuesIn(
  protocol: Protocol,
  sex: Sex,
  inForce: readonly Reading[],
): Partial<Record<SiteId, SiteValue>> {
  const values: Partial<Record<SiteId, SiteValue>> = {}
  for (const site of sitesOf(protocol, sex)) {
    const taken = trialsIn(inForce, site, protocol, countedValue).filter(
      (trial) => trial !== undefined,
    )
    const scheme = schemeOf(protocol, site)
    const value = siteValue(taken, scheme.tolerance, scheme.value)
    if (value) values[site] = value
  }
  return values
}

/** Body height of a check-in, cm: the mean of its height readings in force; undefined when it was not taken. */
export const heightOf = (readings: readonly Reading[]) => heightTaken(readingsInForce(readings))

/** As `heightOf`, of readings that are known to be in force. */
export function heightTaken(inForce: readonly Reading[]): number | undefined {
  const taken = inForce.filter((reading) => reading.kind === 'height')
  return taken.length ? mean(taken.map(({ value }) => value)) : undefined
}

/** The body mass in force, kg, or undefined when the scale was not used. */
export const massOf = (readings: readonly Reading[]) => massTaken(readingsInForce(readings))

/** As `massOf`, of readings that are known to be in force. */
export function massTaken(inForce: readonly Reading[]): number | undefined {
  const taken = inForce.findLast((reading) => reading.kind === 'mass')
  return taken && countedValue(taken)
}
