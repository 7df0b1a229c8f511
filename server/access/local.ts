import type { H3Event } from 'h3'

const LOOPBACK = /^(?:127(?:\.\d{1,3}){3}|::1|::ffff:127(?:\.\d{1,3}){3})$/

/**
 * Whether a request comes from this computer, by its socket: a name in a header can be made up. A request that the
 * server makes of itself has none.
 */
export const isLocal = (event: H3Event): boolean => {
  const from = event.node.req.socket?.remoteAddress
  return !from || LOOPBACK.test(from)
}
