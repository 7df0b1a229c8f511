import { X509Certificate } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { isIP } from 'node:net'
import { join } from 'node:path'
import { makeFolder } from '../database/durable-fs'
import { writeWhole } from '../files/write-whole'

/*
 * What phones know this computer by. A certificate that is the gym's own, made once, signs the one that the server shows:
 * the addresses of a computer change, and a phone that trusts the first goes on trusting.
 */

export interface Certificates {
  /** What the server shows, PEM; the gym's own follows it. */
  chain: string
  /** Its key, PEM. */
  key: string
  /** The gym's own, which a phone may trust, PEM. */
  root: string
}

const YEAR_MS = 365 * 86_400_000
const ROOT_YEARS = 10
/** Browsers refuse one that is good for longer than 398 days. */
const SHOWN_MS = 390 * 86_400_000
/** One that ends so soon is made anew. */
const RENEW_BEFORE_MS = 30 * 86_400_000

const EC = { keyType: 'ec', curve: 'P-256', algorithm: 'sha256' } as const

/**
 * The certificates of a data folder; made where they are missing, and the one shown made anew where it is about to end
 * or lacks an address.
 *
 * @param folder for them alone
 * @param names names and addresses that phones may call this computer by
 */
export async function certificatesFor(
  folder: string,
  names: readonly string[],
  now = new Date(),
): Promise<Certificates> {
  makeFolder(folder)
  const file = (name: string) => join(folder, name)
  const read = (name: string) =>
    existsSync(file(name)) ? readFileSync(file(name), 'utf8') : undefined
  const keep = (name: string, pem: string) => writeWhole(file(name), [Buffer.from(pem)])
  const good = (pem: string) =>
    Date.parse(new X509Certificate(pem).validTo) > now.getTime() + RENEW_BEFORE_MS

  let root = { cert: read('root.pem'), key: read('root-key.pem') }
  let shown = { cert: read('shown.pem'), key: read('shown-key.pem') }
  if (!root.cert || !root.key || !good(root.cert)) {
    const made = await makeRoot(now)
    root = { cert: made.cert, key: made.private }
    shown = { cert: undefined, key: undefined }
    await keep('root-key.pem', made.private)
    await keep('root.pem', made.cert)
  }
  if (!shown.cert || !shown.key || !good(shown.cert) || !names.every(isIn(shown.cert))) {
    const made = await makeShown(names, { cert: root.cert!, key: root.key! }, now)
    shown = { cert: made.cert, key: made.private }
    await keep('shown-key.pem', made.private)
    await keep('shown.pem', made.cert)
  }
  return { chain: `${shown.cert!}\n${root.cert!}`, key: shown.key!, root: root.cert! }
}

const isIn = (pem: string) => {
  const certificate = new X509Certificate(pem)
  return (name: string) =>
    (isIP(name) ? certificate.checkIP(name) : certificate.checkHost(name)) !== undefined
}

async function makeRoot(now: Date) {
  const { generate } = await import('selfsigned')
  return generate([{ name: 'commonName', value: 'Oak Pinch of this gym' }], {
    ...EC,
    notBeforeDate: now,
    notAfterDate: new Date(now.getTime() + ROOT_YEARS * YEAR_MS),
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, critical: true },
    ],
  })
}

async function makeShown(names: readonly string[], ca: { cert: string; key: string }, now: Date) {
  const { generate } = await import('selfsigned')
  return generate([{ name: 'commonName', value: 'Oak Pinch' }], {
    ...EC,
    ca,
    notBeforeDate: now,
    notAfterDate: new Date(now.getTime() + SHOWN_MS),
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: names.map((name) =>
          isIP(name) ? { type: 7 as const, ip: name } : { type: 2 as const, value: name },
        ),
      },
    ],
  })
}

/** SHA-256 of a certificate, as a phone shows it: pairs of digits and letters with colons. */
export const fingerprintOf = (pem: string): string => new X509Certificate(pem).fingerprint256
