import {
  basisOf,
  equationById,
  followedFolds,
  GIRTH_IDS,
  isOwnSite,
  isSkinfold,
  protocolOf,
  readingsInForce,
  seriesBy,
  sheetOf,
  SKINFOLD_IDS,
  variantFor,
  type Measured,
  type SiteId,
} from '#core'
import type { CheckInWithReadings, ReadingRecord } from '#shared/contract/check-ins'
import type { ClientRecord } from '#shared/contract/record'

/**
 * A client's closed check-ins as the paper log has them: sites down, dates across, oldest first.
 *
 * @param columns the closed check-ins as the judgement takes them, so that the ledger shows the masses that it judges by
 */
export function useLedger<M extends Measured & CheckInWithReadings>(
  view: Ref<ClientRecord>,
  columns: Ref<readonly M[]>,
) {
  const newest = computed<M | undefined>(() => columns.value.at(-1))
  const open = computed(() =>
    view.value.checkIns.find(({ closedAt, fromPaper }) => closedAt === null && !fromPaper),
  )

  const series = computed(() =>
    newest.value ? seriesBy(view.value.client, columns.value, newest.value) : [],
  )
  const sheets = computed(() => columns.value.map((checkIn) => sheetOf(view.value.client, checkIn)))
  const values = computed(() => sheets.value.map((sheet) => sheet.sites))
  /** The folds whose sum all have in common. */
  const followed = computed(() => followedFolds(sheets.value))
  /** How many folds the equation of the series adds up, where that is another sum than the one of all folds. */
  const equationFolds = computed(() => {
    const id = newest.value && basisOf(view.value.client, newest.value).equationId
    if (id === undefined) return undefined
    const { length } = variantFor(equationById(id), view.value.client.sex).folds
    const same = followed.value?.whole && followed.value.folds.length === length
    return length > 1 && !same ? length : undefined
  })

  /** Every site that was ever taken, in the order of the newest protocol, then the rest. */
  const sites = computed<SiteId[]>(() => {
    const taken = new Set(values.value.flatMap((v) => Object.keys(v) as SiteId[]))
    const order = newest.value ? protocolOf(newest.value).folds[view.value.client.sex] : []
    const own = [...taken].filter(isOwnSite)
    const folds: SiteId[] = [...order, ...SKINFOLD_IDS, ...own.filter(isSkinfold)]
    return [...new Set<SiteId>([...folds, ...GIRTH_IDS, ...own])].filter((site) => taken.has(site))
  })
  /** What the set in use calls a site. */
  const nameOfSite = (site: SiteId) =>
    newest.value ? siteNameIn(protocolOf(newest.value), site) : nameOf(site)

  /** Readings of a site, or of body mass, that another has taken the place of. */
  function supersededOf({ readings }: CheckInWithReadings, site: SiteId | 'mass'): ReadingRecord[] {
    const inForce = new Set(readingsInForce(readings))
    return readings.filter(
      (r) => !inForce.has(r) && (site === 'mass' ? r.kind === 'mass' : r.site === site),
    )
  }

  return {
    ...{ columns, newest, open, series, sheets, values, nameOfSite },
    ...{ followed, equationFolds, sites, supersededOf },
  }
}

export type Ledger<M extends Measured & CheckInWithReadings> = ReturnType<typeof useLedger<M>>
