import type { Sex, SiteId } from '../anatomy/ids'
import type { CheckInRecord } from './check-in'
import { sitesOf } from '../protocols/registry'
import type { Protocol } from '../protocols/types'
import { siteValues } from '../readings/values'
import type { IsoDate } from '../units/dates'

/** What a site read last time, in the standard of the protocol in hand. */
export interface LastValue {
  /** mm for folds, cm for girths. */
  value: number
  /** Trials that it stands on. */
  trials: number
  measuredOn: IsoDate
}

/**
 * For each site of a protocol the latest earlier value of the same site in the same standard, whatever protocol it was
 * taken by.
 *
 * @param earlier earlier check-ins, newest first
 */
export function lastValues(
  protocol: Protocol,
  sex: Sex,
  earlier: readonly CheckInRecord[],
): Partial<Record<SiteId, LastValue>> {
  const found: Partial<Record<SiteId, LastValue>> = {}
  const sites = sitesOf(protocol, sex)
  for (const { readings, measuredOn } of earlier) {
    if (sites.every((site) => found[site])) break
    const values = siteValues(protocol, sex, readings)
    for (const site of sites) {
      const value = values[site]
      if (value) found[site] ??= { value: value.value, trials: value.taken, measuredOn }
    }
  }
  return found
}
