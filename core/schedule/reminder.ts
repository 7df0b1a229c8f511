import { type Message, dayValue, say } from '../say'
import type { IsoDate } from '../units/dates'

/** What a client should know before a check-in. Common practice, no source. */
export const PREPARATION = [
  say('schedule.sameTimeDayLastTime'),
  say('schedule.beforeTrainingAfterSaunaHot'),
  say('schedule.nothingLargeEatDrinkTwo'),
  say('schedule.skinDryWithoutLotionShorts'),
]

/** The first line of a reminder to copy: when. */
export const reminderGreeting = (firstName: string, day: IsoDate): Message =>
  say('schedule.helloYourNextCheck', { firstName, day: dayValue(day, true) })
