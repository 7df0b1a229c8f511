/** A time in weeks in words: days where it is short. */
export const spanText = (weeks: number) =>
  weeks < 2 ? `${Math.round(weeks * 7)} days` : `${Math.round(weeks)} weeks`
