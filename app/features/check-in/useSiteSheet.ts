import {
  formatFold,
  lengthText,
  nameOf,
  rulesOf,
  trialsOf,
  wantsAnotherTrial,
  type SiteId,
} from '#core'
import type { SiteKind } from './useSiteEntry'

export interface SheetRow {
  site: SiteId
  name: string
  last: number | undefined
  /** One box a trial, the extra one included. */
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
    const { folds, girths } = protocol.value
    return (kind === 'folds' ? folds : girths)[client.value!.sex]
  })

  const rows = computed<SheetRow[]>(() =>
    sites.value.map((site) => {
      const trials = trialsOf(readings.value, site, protocol.value)
      const rules = rulesOf(protocol.value, site)
      return {
        site,
        name: nameOf(site),
        last: last.value[site]?.value,
        trials: Array.from({ length: rules.rounds + 1 }, (_, i) => trials[i]),
        apart: wantsAnotherTrial(trials, rules),
        skipped: skipped.value.find((s) => s.site === site)?.reason,
        asked:
          findings.value.find((f) => f.sites.includes(site))?.evidence ??
          compressionDrifts.value.find((c) => c.site === site)?.message,
      }
    }),
  )

  /** Sum of a column, once every box of it is filled. Girths are not added up. */
  function sumOf(column: (row: SheetRow) => number | undefined): number | undefined {
    if (kind === 'tape') return undefined
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
    return kind === 'tape' || values.length === 0 ? undefined : values.reduce((a, b) => a + b, 0)
  })

  /** Sum of the folds taken so far less the same folds last time; undefined where there is nothing to compare. */
  const sinceLast = computed(() => {
    if (kind === 'tape') return undefined
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

  return { sites, rows, sumOf, sumSoFar, sinceLast, shownUnit, show }
}
