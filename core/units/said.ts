import { type Message, num, say } from '../say'

/* Amounts as values of a message. */

/** Where a fact of the trade has no published source. */
export const COMMON_PRACTICE = say('units.commonPractice')

/** A share of 1 as per cent. */
export const percentSaid = (share: number, digits = 1): Message =>
  say('units.percent', { value: num(100 * share, digits) })
export const kgSaid = (kg: number, digits: number): Message =>
  say('units.kg', { value: num(kg, digits) })
export const mmSaid = (mm: number, digits: number): Message =>
  say('units.mm', { value: num(mm, digits) })
/** A figure that counts nothing. */
export const figureSaid = (value: number, digits: number): Message =>
  say('units.times', { value: num(value, digits) })
