import { voiceOf } from '#shared/words/voices'
import type { Call } from '../http/define-api'
import { languageOf } from '../http/language'
import { findReminders } from './log'
import type { reminders } from '#shared/contract/routes/reminders'

/** What every change of reminders is answered with: how they stand now. */
export const answerReminders = ({
  event,
  db,
  today,
  coach,
  asking,
}: Pick<Call<typeof reminders.view>, 'event' | 'db' | 'today' | 'coach' | 'asking'>) =>
  findReminders(db, { today, coach, actor: asking!.actor, voice: voiceOf(languageOf(event)) })
