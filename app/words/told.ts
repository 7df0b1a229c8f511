import { refusal, type Value } from '#core'
import { tell as tellIn, told, wordsOfError, type Told } from '#shared/words/tell'
import { voiceNow } from './say'

/*
 * What the core says, in the language of the page.
 */

/** The text of a message of the core; a coach's own words as they are. */
export const tell = (words: Value | null | undefined): string =>
  words === null || words === undefined ? '' : tellIn(words, voiceNow())

/** Data of the core with every message in it told. */
export const tellAll = <T>(data: T): Told<T> => told(data, voiceNow())

/** A function of the core whose answer is told. */
export const telling =
  <A extends unknown[], R>(plain: (...args: A) => R) =>
  (...args: A): Told<R> =>
    tellAll(plain(...args))

/** What is wrong, in words: the core's, or those that came with the error. */
export const wordsOf = (error: Error): string => wordsOfError(error, voiceNow())

/** The words of a field that refuses what was typed. */
export const refusalText = telling(refusal)
