import { nameOf, trialsOf, wantsAnotherTrial, type SkinfoldId } from '#core'

export interface SheetRow {
  site: SkinfoldId
  name: string
  last: number | undefined
  /** One box a pass, the third included. */
  trials: (number | undefined)[]
  /** The trials taken so far do not agree. */
  apart: boolean
}

/** The paper log: sites down, last time and trials across, with the sums that can be compared. */
export function useFoldSheet() {
  const store = useCheckInStore()
  const { client, protocol, readings, last, sheet } = storeToRefs(store)

  const rows = computed<SheetRow[]>(() =>
    protocol.value.folds[client.value!.sex].map((site) => {
      const trials = trialsOf(readings.value, site, protocol.value)
      return {
        site,
        name: nameOf(site),
        last: last.value?.values[site]?.value,
        trials: Array.from({ length: protocol.value.passes + 1 }, (_, i) => trials[i]),
        apart: wantsAnotherTrial(trials, protocol.value),
      }
    }),
  )

  /** Sum of a column, once every box of it is filled. */
  function sumOf(column: (row: SheetRow) => number | undefined): number | undefined {
    let total = 0
    for (const row of rows.value) {
      const value = column(row)
      if (value === undefined) return undefined
      total += value
    }
    return total
  }

  /** Sum of the sites taken so far less the same sites last time; undefined where there is nothing to compare. */
  const sinceLast = computed(() => {
    const both = rows.value.flatMap(({ site, last: before }) => {
      const now = sheet.value?.sites[site]?.value
      return now === undefined || before === undefined ? [] : [now - before]
    })
    return both.length ? both.reduce((a, b) => a + b, 0) : undefined
  })

  return { rows, sumOf, sinceLast }
}
