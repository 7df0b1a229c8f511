import { getRequestHost, getRequestProtocol, type H3Event } from 'h3'
import { phonesNow } from '../network/door'
import { publicOrigin } from './local'

/** By which names others come in; none where nobody outside this computer can. */
export function addressesOfGym(): string[] {
  const origin = publicOrigin()
  return origin ? [origin] : phonesNow().addresses
}

/** By which names something that is made now is had: as others come in, or as whoever asks did. */
export function addressesFrom(event: H3Event): string[] {
  const outside = addressesOfGym()
  return outside.length ? outside : [`${getRequestProtocol(event)}://${getRequestHost(event)}`]
}
