import { readingsInForce, thrownAwayIn, trialsOf, wantsAnotherTrial, type SiteId } from '#core'
import { SITES_OF_STAGE, type SiteKind } from './useSiteEntry'

export interface SheetRow {
  site: SiteId
  name: string
  last: number | undefined
  /** One that is taken first and thrown away, where the set does so. */
  thrownAway: number | undefined
  /** One box a trial, those included that may be asked for besides. */
  trials: (number | undefined)[]
  /** The trials taken so far do not agree. */
  apart: boolean
  /** Why the site is left out, if it is. */
  skipped: string | undefined
  /** What asks for a second look, if anything does. */
  asked: string | undefined
}

/** The paper log: sites down, last time and trials across, with the sums that can be compared. */
export function useSiteSheet(kind: SiteKind) {
  const store = useCheckInStore()
  const { client, protocol, readings, last, sheet, skipped, findings, compressionDrifts } =
    storeToRefs(store)
  const unit = useLengthUnit()

  const sites = computed<SiteId[]>(() => {
    return protocol.value[SITES_OF_STAGE[kind]][client.value!.sex]
  })

  /** Why a site is left out, in words, if it is. */
  function reasonOf(site: SiteId): string | undefined {
    const reason = skipped.value.find((s) => s.site === site)?.reason
    return reason && skipText(reason)
  }

  /** How the sites of this kind are taken. */
  const scheme = computed(() => protocol.value[kind === 'folds' ? 'foldTrials' : 'girthTrials'])

  const rows = computed<SheetRow[]>(() => {
    const taken = sites.value.map((site) => trialsOf(readings.value, site, protocol.value))
    const { count, most } = scheme.value
    // Room for one more than is always taken, and for the next one wherever they go on.
    const boxes = Math.max(
      Math.min(count + 1, most),
      ...taken.map((trials) => trials.length + (wantsAnotherTrial(trials, scheme.value) ? 1 : 0)),
    )
    const inForce = readingsInForce(readings.value)
    return sites.value.map((site, i) => {
      const trials = taken[i]!
      return {
        site,
        name: siteNameIn(protocol.value, site),
        last: last.value[site]?.value,
        thrownAway: scheme.value.dropsFirst
          ? thrownAwayIn(inForce, site, protocol.value)
          : undefined,
        trials: Array.from({ length: boxes }, (_, trial) => trials[trial]),
        apart: wantsAnotherTrial(trials, scheme.value),
        skipped: reasonOf(site),
        asked:
          tell(
            findings.value.find((f) => f.sites.includes(site))?.evidence ??
              compressionDrifts.value.find((c) => c.site === site)?.message,
          ) || undefined,
      }
    })
  })

  /** Sum of a column, once every box of it is filled. Girths and bones are not added up. */
  function sumOf(column: (row: SheetRow) => number | undefined): number | undefined {
    if (kind !== 'folds') return undefined
    let total = 0
    for (const row of rows.value) {
      const value = column(row)
      if (value === undefined) return undefined
      total += value
    }
    return total
  }

  /** Sum of the folds taken so far, each by its trials; undefined before the first. */
  const sumSoFar = computed(() => {
    const values = rows.value.flatMap(({ site }) => sheet.value?.sites[site]?.value ?? [])
    return kind !== 'folds' || values.length === 0 ? undefined : values.reduce((a, b) => a + b, 0)
  })

  /** Sum of the folds taken so far less the same folds last time; undefined where there is nothing to compare. */
  const sinceLast = computed(() => {
    if (kind !== 'folds') return undefined
    const both = rows.value.flatMap(({ site, last: before }) => {
      const now = sheet.value?.sites[site]?.value
      return now === undefined || before === undefined ? [] : [now - before]
    })
    return both.length ? both.reduce((a, b) => a + b, 0) : undefined
  })

  /** The unit on the screen, and a value in it. */
  const shownUnit = computed(() => (kind === 'folds' ? 'mm' : unit.value))
  function show(value: number | undefined): string {
    if (value === undefined) return ''
    return kind === 'folds' ? formatFold(value) : lengthText(value, unit.value)
  }

  return { sites, scheme, rows, sumOf, sumSoFar, sinceLast, shownUnit, show }
}
