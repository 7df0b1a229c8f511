import { existsSync, readFileSync } from 'node:fs'
import { createServer, type Server } from 'node:https'
import { isIP, type AddressInfo, type Socket } from 'node:net'
import { hostname, networkInterfaces } from 'node:os'
import { join } from 'node:path'
import type { RequestListener } from 'node:http'
import { z } from 'zod'
import { say } from '#core'
import type { Phones } from '#shared/contract/access'
import { isSignInNeeded } from '../access/actor'
import type { Database } from '../database/driver'
import { PARTS } from '../database/record-folder'
import { dataFolder } from '../files/data-folder'
import { writeWhole } from '../files/write-whole'
import { conflict } from '../http/errors'
import { sayInTerminal } from '../terminal'
import { certificatesFor, fingerprintOf, type Certificates } from './certificate'

/*
 * The door for phones: the same application over HTTPS on the computer's own addresses, beside the one that this
 * computer alone has. Whoever comes in by it signs in.
 */

/** Where phones come in, as long as nobody chose another port. */
const USUAL_PORT = 4443

const stateSchema = z.object({
  open: z.boolean().default(false),
  port: z.number().default(USUAL_PORT),
})

const folder = () => join(dataFolder(), PARTS.network)
const stateFile = () => join(folder(), 'door.json')

function readState(): z.infer<typeof stateSchema> {
  try {
    return stateSchema.parse(JSON.parse(readFileSync(stateFile(), 'utf8')))
  } catch {
    return stateSchema.parse({})
  }
}

/** Addresses that were named to be listened on; undefined where it is all of them. */
function namedAddresses(): string[] | undefined {
  const named = process.env.OAK_PINCH_GYM_ADDRESSES?.split(',').filter((name) => isIP(name))
  return named?.length ? named : undefined
}

/** The addresses of this computer in its networks, those that phones use first. */
const ownAddresses = (): string[] =>
  namedAddresses() ??
  Object.values(networkInterfaces())
    .flatMap((addresses) => addresses ?? [])
    .filter(({ internal, family }) => !internal && family === 'IPv4')
    .map(({ address }) => address)

const ownNames = (): string[] => {
  const name = hostname().toLowerCase()
  return name.includes('.') ? [name] : [name, `${name}.local`]
}

/** The port to listen on; 0 for any that is free. */
const wantedPort = () => Number(process.env.OAK_PINCH_GYM_PORT ?? readState().port)

let handler: RequestListener | undefined
/** Gives the application that phones get. */
export const provideApplication = (application: RequestListener) => (handler = application)

/** Connections that came in by this door. */
const throughDoor = new WeakSet<Socket>()
/** Whether a request came in by the door for phones, whatever address it comes from. */
export const isThroughDoor = (socket: Socket | undefined): boolean =>
  socket !== undefined && throughDoor.has(socket)

/** Whether a host is this computer as a phone may call it: by number, or by one of its own names. */
export function isOwnHost(host: string): boolean {
  const name = host.replace(/:\d+$/, '').replaceAll(/[[\]]/g, '').toLowerCase()
  return isIP(name) !== 0 || ownNames().includes(name)
}

let open: { servers: Server[]; certificates: Certificates; port: number } | undefined

const listening = (server: Server, at: number, address: string | undefined) =>
  new Promise<void>((resolve, reject) => {
    server.once('error', reject)
    server.listen(at, address, resolve)
  })

/**
 * Opens the door, and keeps it open over starts to come.
 *
 * @throws Refusal 409 where another program has its port, or the computer is in no network
 */
export async function openDoor(): Promise<void> {
  if (open) return
  const addresses = ownAddresses()
  if (!addresses.length) throw conflict(say('api.noNetwork'), 'no-network')
  const certificates = await certificatesFor(folder(), [...addresses, ...ownNames()])
  let at = wantedPort()
  const servers: Server[] = []
  const credentials = {
    key: certificates.key,
    cert: certificates.chain,
    minVersion: 'TLSv1.2' as const,
  }
  try {
    for (const address of namedAddresses() ?? [undefined]) {
      const server = createServer(credentials, handler)
      server.on('secureConnection', (socket) => throughDoor.add(socket))
      await listening(server, at, address)
      servers.push(server)
      at = (server.address() as AddressInfo).port
    }
  } catch (error) {
    for (const server of servers) server.close()
    if ((error as NodeJS.ErrnoException).code === 'EADDRINUSE')
      throw conflict(say('api.doorTaken', { port: at }), 'door-taken')
    throw error
  }
  open = { servers, certificates, port: at }
  await keepState(true)
}

async function keepState(isOpen: boolean): Promise<void> {
  await writeWhole(stateFile(), [
    Buffer.from(JSON.stringify({ open: isOpen, port: open?.port ?? readState().port })),
  ])
}

/** Closes the door: whoever is in the midst of something is let go at once. */
export async function closeDoor(): Promise<void> {
  if (existsSync(stateFile())) await keepState(false)
  shutDoor()
}

/** The end of the process: it opens again with the next. */
export function shutDoor(): void {
  for (const server of open?.servers ?? []) {
    server.close()
    server.closeAllConnections()
  }
  open = undefined
}

/**
 * Opens it at a start, where it stood open or somebody asked for it.
 *
 * @param db undefined where the record cannot be opened
 * @throws Refusal as `openDoor`, and 409 where nobody has set a password
 */
export async function openDoorAtStart(db: Database | undefined): Promise<void> {
  if (!(db && process.env.OAK_PINCH_GYM === '1') && !readState().open) return
  if (db && !(await isSignInNeeded(db))) throw conflict(say('api.ownerFirst'), 'owner-first')
  await openDoor()
  for (const address of addressesOf()) sayInTerminal(say('api.doorOpen', { address }))
}

/** Addresses to open on a phone. */
const addressesOf = () => ownAddresses().map((address) => `https://${address}:${open?.port}`)

/** What is to be known of the door. */
export function phonesNow(): Phones {
  if (!open) return { open: false, addresses: [], fingerprint: null, rootFingerprint: null }
  const { chain, root } = open.certificates
  return {
    open: true,
    addresses: addressesOf(),
    fingerprint: fingerprintOf(chain),
    rootFingerprint: fingerprintOf(root),
  }
}

/** The certificate that a phone may trust, PEM; undefined while the door is shut. */
export const rootCertificate = (): string | undefined => open?.certificates.root
