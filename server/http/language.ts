import { getCookie, getHeader, type H3Event } from 'h3'
import { LANGUAGE_COOKIE } from '#shared/words/language-cookie'
import { languageAsked } from '#shared/words/voices'

/** The language in which a request is answered (BCP 47). */
export const languageOf = (event: H3Event): string =>
  languageAsked(getCookie(event, LANGUAGE_COOKIE), getHeader(event, 'accept-language'))
