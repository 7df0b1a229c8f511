import { X509Certificate } from 'node:crypto'
import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { certificatesFor } from '../../server/network/certificate'
import { isOwnHost } from '../../server/network/door'

const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-certificates-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const DAY_MS = 86_400_000
const NOW = new Date('2026-11-28T10:00:00Z')
const later = (days: number) => new Date(NOW.getTime() + days * DAY_MS)
const shown = ({ chain }: { chain: string }) => new X509Certificate(chain)

test('a phone that trusts the gym’s certificate goes on trusting when addresses change and years pass', async () => {
  const names = ['192.168.1.20', 'desk.local']
  const first = await certificatesFor(folder, names, NOW)
  const root = new X509Certificate(first.root)
  expect(shown(first).checkIssued(root)).toBe(true)
  expect(shown(first).verify(root.publicKey)).toBe(true)
  expect(shown(first).checkIP('192.168.1.20')).toBe('192.168.1.20')
  expect(shown(first).checkHost('desk.local')).toBe('desk.local')
  expect(shown(first).checkHost('elsewhere.example')).toBeUndefined()
  expect([root.ca, shown(first).ca]).toEqual([true, false])
  // CA/Browser Forum Baseline Requirements 6.3.2: a certificate of a server is good for 398 days at most.
  const days = (Date.parse(shown(first).validTo) - Date.parse(shown(first).validFrom)) / DAY_MS
  expect(days).toBeLessThanOrEqual(398)

  expect(await certificatesFor(folder, names, later(1))).toEqual(first)
  const moved = await certificatesFor(folder, ['10.0.0.7', ...names], later(1))
  const renewed = await certificatesFor(folder, names, later(days - 10))
  for (const next of [moved, renewed]) {
    expect(next.root).toBe(first.root)
    expect(next.chain).not.toBe(first.chain)
    expect(shown(next).verify(root.publicKey)).toBe(true)
  }
  expect(shown(moved).checkIP('10.0.0.7')).toBe('10.0.0.7')
  expect(renewed.chain).not.toBe(moved.chain)
})

test('what is secret is its owner’s alone', () => {
  expect(statSync(folder).mode & 0o077).toBe(0)
  for (const name of readdirSync(folder))
    expect(statSync(join(folder, name)).mode & 0o077, name).toBe(0)
})

test('a phone may call this computer by a number, and by no name that somebody else points here', () => {
  for (const host of ['192.168.1.20:4443', '10.0.0.7', '[fe80::1]:4443'])
    expect(isOwnHost(host), host).toBe(true)
  for (const host of ['evil.example:4443', '192.168.1.20.evil.example', '', 'localhost.evil'])
    expect(isOwnHost(host), host).toBe(false)
})
