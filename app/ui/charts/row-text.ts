import type { ChartRow } from './ChartWalk.vue'

/** What is said of a row of a chart: each of its values with the name of its column. */
export function rowText({ head, cells }: ChartRow, columns: readonly string[]): string {
  const values = cells.flatMap((cell, i) => (cell ? [`${columns[i]} ${cell}`] : []))
  return t('charts.read', { day: head, values: values.join(' · ') })
}
