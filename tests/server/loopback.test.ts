import type { H3Event } from 'h3'
import { afterEach, expect, test, vi } from 'vitest'
import { isLocal } from '../../server/access/local'

afterEach(() => vi.unstubAllEnvs())

const from = (remoteAddress: string | undefined, host = 'localhost') =>
  isLocal({ node: { req: { socket: { remoteAddress }, headers: { host } } } } as unknown as H3Event)

test('this computer is told by the socket, whatever name a request calls it by', () => {
  for (const address of ['127.0.0.1', '127.8.9.10', '::1', '::ffff:127.0.0.1'])
    expect(from(address, 'evil.example'), address).toBe(true)
  for (const address of ['192.168.1.7', '10.0.0.1', '::ffff:192.168.1.7', 'fe80::1', '128.0.0.1'])
    expect(from(address), address).toBe(false)
  // A request that the server makes of itself comes in on none.
  expect(from(undefined)).toBe(true)
})

test('on a server nobody is at this computer: what calls from it is the proxy', () => {
  vi.stubEnv('OAK_PINCH_ORIGIN', 'https://gym.example')
  for (const address of ['127.0.0.1', '::1', undefined]) expect(from(address), address).toBe(false)
})
