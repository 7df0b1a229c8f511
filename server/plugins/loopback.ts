import { createError, defineEventHandler, getRequestHost, getRequestHeader } from 'h3'
import { say } from '#core'
import { tell } from '#shared/words/tell'
import { voiceOf } from '#shared/words/voices'
import { isLocal } from '../access/local'
import { languageOf } from '../http/language'

const LOOPBACK = /^(?:localhost|127(?:\.\d{1,3}){3}|\[::1\])(?::\d+)?$/i

/** The host of an origin; undefined for `null` and for what is no address. */
function hostOf(origin: string): string | undefined {
  return URL.canParse(origin) ? new URL(origin).host : undefined
}

/**
 * The server answers this machine alone: by the socket that a request comes in on, whatever its headers say; and no
 * foreign host name (which a hostile page can point at 127.0.0.1) and no request made by another site's page.
 */
const loopbackOnly = defineEventHandler((event) => {
  const host = getRequestHost(event)
  const voice = voiceOf(languageOf(event))
  if (!isLocal(event) || !LOOPBACK.test(host)) {
    throw createError({
      statusCode: 421,
      message: tell(say('api.loopbackOnly'), voice),
    })
  }
  const origin = getRequestHeader(event, 'origin')
  if (origin && hostOf(origin) !== host) {
    throw createError({ statusCode: 403, message: tell(say('api.anotherSite'), voice) })
  }
})

/** Before everything else: the application's own files are served before any middleware. */
export default defineNitroPlugin(({ h3App }) => {
  h3App.stack.unshift({ route: '/', handler: loopbackOnly })
})
