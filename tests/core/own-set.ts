import {
  isSkinfold,
  ownProtocol,
  standardOfSite,
  techniqueOf,
  usualRules,
  type OwnProtocol,
  type Reading,
  type SiteId,
  type TrialScheme,
} from '#core'

export const WITHIN_2 = { kind: 'mm', value: 2 } as const
export const UNTIL_TWO_AGREE: TrialScheme = {
  ...{ order: 'one site', count: 2, most: 5, tolerance: WITHIN_2 },
  ...{ value: 'closest two', dropsFirst: false },
}

/** A set of a coach's own, with what is said of it. */
export const own = (change: Partial<OwnProtocol> = {}): OwnProtocol => ({
  ...{ id: 'own-way', name: 'My way', standard: 'us', folds: ['triceps', 'thigh'] },
  ...{ girths: ['waist'], ...usualRules('us') },
  ...change,
})

let made = 0
/** Readings of one site as a set takes them, from trial `first` on. */
export function taken(
  set: OwnProtocol,
  site: SiteId,
  values: readonly number[],
  first = 1,
): Reading[] {
  const protocol = ownProtocol(set)
  return values.map((value, i) => ({
    ...{ id: `r${made++}`, site, value, trial: first + i, supersedes: null },
    kind: isSkinfold(site) ? 'skinfold' : 'girth',
    standard: isSkinfold(site) ? standardOfSite(protocol, site) : null,
    technique: techniqueOf(protocol, site),
    takenAt: new Date(1_800_000_000_000 + made * 1000).toISOString(),
  }))
}
