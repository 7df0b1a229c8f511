/** A value with the range about it, where it has one, each as `show` writes it. */
export function rangeText(
  { value, low, high }: { value: number; low?: number; high?: number },
  show: (value: number) => string,
): string {
  return low === undefined || high === undefined
    ? show(value)
    : t('charts.range', { value: show(value), low: show(low), high: show(high) })
}
