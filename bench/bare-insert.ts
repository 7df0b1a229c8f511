/** A bare HTTP handler that inserts one reading with PGlite, for `floor` to hold the application against. */
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { openDatabase } from '../server/database/driver'
import { checkIns, clients } from '../server/database/schema'
import { ensureGym } from '../server/equipment/commands'
import { findSettings } from '../server/equipment/queries'

const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-bare-'))
const migrations = fileURLToPath(new URL('../server/database/migrations', import.meta.url))
const { db, engine, close } = await openDatabase(join(folder, 'data'), migrations)
await ensureGym(db)
const { testerId, caliperId } = await findSettings(db)
const clientId = '0b000000-0000-4000-8000-000000000001'
const checkInId = '0b000000-0000-4000-8000-000000000002'
await db.insert(clients).values({
  ...{ id: clientId, name: 'Bare', sex: 'female', birthDate: '1990-01-01', cadenceDays: 28 },
})
await db.insert(checkIns).values({
  ...{ id: checkInId, clientId, testerId: testerId!, protocolId: 'seven-fold', conversion: 'siri' },
  ...{ measuredOn: '2026-01-01', startedAt: new Date() },
})

const INSERT = `insert into readings
  (id, check_in_id, kind, site, standard, trial, value_canonical, typed_unit, typed_text, tester_id, instrument_id, taken_at, supersedes)
  values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13) on conflict (id) do nothing`

const server = createServer((request, response) => {
  let body = ''
  request.on('data', (chunk) => (body += chunk))
  request.on('end', async () => {
    const [r] = (JSON.parse(body) as { readings: Record<string, unknown>[] }).readings
    await engine.query(INSERT, [
      ...[
        r!.id,
        checkInId,
        r!.kind,
        r!.site,
        r!.standard,
        r!.trial,
        r!.value,
        r!.typedUnit,
        r!.typedText,
      ],
      ...[testerId, caliperId, r!.takenAt, r!.supersedes],
    ])
    response.setHeader('content-type', 'application/json')
    response.end(JSON.stringify({ stored: [r!.id], refused: [] }))
  })
})
server.listen(0, '127.0.0.1', () => console.log((server.address() as AddressInfo).port))
process.on('SIGTERM', async () => {
  server.close()
  await close()
  rmSync(folder, { recursive: true, force: true })
  process.exit(0)
})
