import { createError, defineEventHandler, getRequestHeader, getRequestHost, type H3Event } from 'h3'
import { say } from '#core'
import { tell } from '#shared/words/tell'
import { voiceOf } from '#shared/words/voices'
import { isLocal, publicOrigin } from '../access/local'
import { languageOf } from '../http/language'
import { isOwnHost, isThroughDoor } from '../network/door'

/** Where nobody says where to listen, others are not even answered. */
process.env.NITRO_HOST ||= process.env.HOST || '127.0.0.1'

const LOOPBACK = /^(?:localhost|127(?:\.\d{1,3}){3}|\[::1\])(?::\d+)?$/i

/** The host of an origin; undefined for `null` and for what is no address. */
function hostOf(origin: string): string | undefined {
  return URL.canParse(origin) ? new URL(origin).host : undefined
}

/** Asked for by what watches over a server, by any name: it says nothing of anybody. */
const HEALTH = '/api/health'

/**
 * Whether a request reached the server by a way that is open: this computer by the socket, whatever the headers say;
 * a phone by the door for phones; on a server all that the proxy passes on. Always by a name that the server has: a
 * hostile page can point a name of its own here.
 */
function mayReach(event: H3Event, host: string): boolean {
  const origin = publicOrigin()
  if (origin) return event.path === HEALTH || host === hostOf(origin)
  if (isThroughDoor(event.node.req.socket)) return isOwnHost(host)
  return isLocal(event) && LOOPBACK.test(host)
}

const guard = defineEventHandler((event) => {
  const host = getRequestHost(event)
  const voice = voiceOf(languageOf(event))
  if (!mayReach(event, host))
    throw createError({ statusCode: 421, message: tell(say('api.loopbackOnly'), voice) })
  // No request made by another site's page.
  const origin = getRequestHeader(event, 'origin')
  if (origin && hostOf(origin) !== host) {
    throw createError({ statusCode: 403, message: tell(say('api.anotherSite'), voice) })
  }
})

/** Before everything else: the application's own files are served before any middleware. */
export default defineNitroPlugin(({ h3App }) => {
  h3App.stack.unshift({ route: '/', handler: guard })
})
