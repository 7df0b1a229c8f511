const MS_A_MINUTE = 60_000

/** The time on this device's clock, of no zone: as the clocks of scales say it. */
export function timeHere(): string {
  const now = new Date()
  return new Date(now.getTime() - now.getTimezoneOffset() * MS_A_MINUTE).toISOString().slice(0, 19)
}
