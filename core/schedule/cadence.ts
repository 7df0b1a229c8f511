import { type Message, say } from '../say'
export type Purpose = 'preparation' | 'training' | 'otherwise'

/** How often coaches measure, weeks. Common practice, no source. */
export const CADENCES: Record<Purpose, { name: Message; weeks: [number, number] }> = {
  preparation: { name: say('schedule.preparingDate'), weeks: [1, 1] },
  training: { name: say('schedule.training'), weeks: [2, 4] },
  otherwise: { name: say('schedule.otherwise'), weeks: [4, 6] },
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
): { days: number; why: Message } {
  const { name, weeks } = CADENCES[purpose]
  const [low, high] = weeks.map((w) => w * 7) as [number, number]
  if (readableDays === undefined) {
    return { days: high, why: say('schedule.withoutPaceTold', { name }) }
  }
  const days = Math.min(high, Math.max(low, Math.ceil(readableDays / 7) * 7))
  const told =
    readableDays <= days
      ? say('schedule.paceCanToldAfterDays', { name, count: Math.round(readableDays) })
      : say('schedule.paceCanOnlyToldAfter', { name, count: Math.round(readableDays) })
  return { days, why: told }
}
