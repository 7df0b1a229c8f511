import type { H3Event } from 'h3'
import { isThroughDoor } from '../network/door'

const LOOPBACK = /^(?:127(?:\.\d{1,3}){3}|::1|::ffff:127(?:\.\d{1,3}){3})$/

/** The address of a server that stands behind a proxy; undefined on a gym's own computer. */
export const publicOrigin = (): string | undefined => process.env.OAK_PINCH_ORIGIN || undefined

/** Whether a proxy says truly for whom it asks: somebody has to have said so, since anybody can write such headers. */
export const isProxyTrusted = (): boolean => process.env.OAK_PINCH_TRUST_PROXY === '1'

/**
 * Whether a request comes from this computer, by its socket: a name in a header can be made up. What comes by the door
 * for phones does not, and nothing does on a server, where the proxy is what calls from this computer. A request that
 * the server makes of itself has no socket.
 */
export const isLocal = (event: H3Event): boolean => {
  const { socket } = event.node.req
  if (publicOrigin() || isThroughDoor(socket)) return false
  const from = socket?.remoteAddress
  return !from || LOOPBACK.test(from)
}
