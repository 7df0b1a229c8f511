export type Purpose = 'preparation' | 'training' | 'otherwise'

/** How often coaches measure, weeks. Common practice, no source. */
export const CADENCES: Record<Purpose, { name: string; weeks: [number, number] }> = {
  preparation: { name: 'preparing for a date', weeks: [1, 1] },
  training: { name: 'in training', weeks: [2, 4] },
  otherwise: { name: 'otherwise', weeks: [4, 6] },
}

/**
 * Days between check-ins with the reason: the shortest of the purpose's range after which the pace can be told by this
 * setup, and the range's end where it cannot.
 *
 * @param readableDays days after which the planned pace exceeds the smallest real change; undefined without a pace
 */
export function adviseCadence(
  purpose: Purpose,
  readableDays: number | undefined,
): { days: number; why: string } {
  const { name, weeks } = CADENCES[purpose]
  const [low, high] = weeks.map((w) => w * 7) as [number, number]
  if (readableDays === undefined) {
    return { days: high, why: `${name}, without a pace to be told` }
  }
  const days = Math.min(high, Math.max(low, Math.ceil(readableDays / 7) * 7))
  const told =
    readableDays <= days
      ? `the pace can be told after ${readableDays} days`
      : `the pace can only be told after ${readableDays} days: look at the trend of several, not at one`
  return { days, why: `${name}; ${told}` }
}
