import type { Reminders } from '#shared/contract/reminders'

type Due = Reminders['due'][number]
type Entry = Reminders['log'][number]

/** What a reminder is of, and when that is due. */
export function aboutWords({ kind, of, dueOn }: Pick<Due, 'kind' | 'of' | 'dueOn'>): string {
  const day = formatDate(dueOn)
  if (kind === 'check-in-due') return t('reminders.aboutCheckIn', { day })
  if (kind === 'report-due') return t('reminders.aboutReport', { day })
  return t(of === 'check-in' ? 'reminders.aboutLateCheckIn' : 'reminders.aboutLateReport', { day })
}

/** Whether a mail goes out by itself, or why not; nothing where nobody wants any. */
export const wayWords = ({ way }: Due): string => (way === 'off' ? '' : t(`reminders.ways.${way}`))

/** What became of a reminder, and when. */
export function stateWords({ state, at, nextTryAt, tries }: Entry): string {
  const when = instantText(at)
  if (state === 'waiting' && tries > 0)
    return t('reminders.states.again', { when: instantText(nextTryAt!), ...counted(tries) })
  return t(`reminders.states.${state}`, { when })
}
