/** A time in weeks in words: days where it is short. */
export const spanText = (weeks: number) =>
  weeks < 2
    ? t('client.spanDays', { count: Math.round(weeks * 7) })
    : t('client.spanWeeks', { count: Math.round(weeks) })
