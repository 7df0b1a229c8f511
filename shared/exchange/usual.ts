import type { DateOrder } from '../../core/index'

/** Countries whose people write the month before the day, and measure in pounds and inches. */
const AMERICAN = /^en-(?:US|PH|BZ)/i

/** Whether people of a language and country (BCP 47) measure and write days as Americans do. */
export const isAmerican = (language: string): boolean => AMERICAN.test(language)

/** How days are usually written in a language and country, where a sheet leaves that open. */
export const usualOrder = (language: string): DateOrder => (isAmerican(language) ? 'month' : 'day')
