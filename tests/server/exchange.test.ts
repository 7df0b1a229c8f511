import { createHash, randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { isoDateOf } from '#core'
import type { Exchange } from '#shared/contract/exchange'
import { readFile } from '#shared/exchange/read-file'
import { recordsIn, type RecordsIn } from '#shared/exchange/records-in'
import { voiceOf } from '#shared/words/voices'
import { seedDemo } from '../../demo/seed'
import type { Database } from '../../server/database/driver'
import { bringIn } from '../../server/exchange/bring'
import { writeRecord, type Ending } from '../../server/exchange/formats'
import { listKnown } from '../../server/exchange/known'
import { takeOut } from '../../server/exchange/take-out'
import { findRecord } from '../../server/clients/queries'
import { sayOf } from '../../server/verdicts/say'
import { startApi } from './support/app'

/*
 * Records taken out, erased and brought in again: each format carries what docs/formats.md says of it, and the headlines
 * are the same.
 */

type Api = Awaited<ReturnType<typeof startApi>>

const voice = voiceOf('en-US')
const at = new Date()

async function bytesOf(parts: AsyncIterable<Uint8Array>): Promise<Uint8Array> {
  const all: Uint8Array[] = []
  for await (const part of parts) all.push(part)
  return new Uint8Array(Buffer.concat(all))
}

/** What a file comes to beside a record, every question answered as it is usual. */
async function understood(
  db: Database,
  bytes: Uint8Array,
  fileName = 'records',
): Promise<RecordsIn> {
  return recordsIn(
    await readFile(bytes),
    {
      ...{ today: isoDateOf(at), fileName, ...(await listKnown(db)) },
      usual: { length: 'cm', mass: 'kg', order: 'day' },
    },
    { columns: {}, answers: {} },
    {
      newId: randomUUID,
      noonOf: (day) => `${day}T12:00:00.000Z`,
      words: { untoldTester: 'Not on record', phase: 'Phase' },
    },
  )
}

async function bring(db: Database, bytes: Uint8Array) {
  const { gym, lines } = await understood(db, bytes)
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  return bringIn(db, lines, {
    head: { id: randomUUID(), fileName: 'records', sha256, clients: lines.length, gym },
    ...{ left: [], actor: 'test', told: () => '' },
  })
}

/** What heads each record as it is told, by the client's name: to a tenth of a kilogram or a millimeter. */
async function headlines(db: Database, whole = true): Promise<Record<string, unknown>> {
  const { known } = await listKnown(db)
  const said: Record<string, unknown> = {}
  for (const { id, name } of known) {
    const record = await findRecord(db, id)
    const spoken = sayOf(record)?.said
    // Girths that clients took of themselves go in the format that has everything; the others carry check-ins.
    if (spoken?.bySelf && !whole) continue
    const headline = spoken?.headline
    said[name] = headline && {
      groupTerm: record.client.groupTerm,
      ...{ rule: headline.rule, horizon: headline.horizon, since: headline.since },
      changes: headline.changes.map(({ quantity, verdict, change }) => [
        ...[quantity, verdict, change.toFixed(1)],
      ]),
    }
  }
  return said
}

let demo: Api
let before: {
  headlines: Record<string, unknown>
  ofCheckIns: Record<string, unknown>
  record: Exchange
}
const files = new Map<Ending, Uint8Array>()
beforeAll(async () => {
  demo = await startApi()
  await seedDemo(demo.db, async () => {})
  before = {
    headlines: await headlines(demo.db),
    ofCheckIns: await headlines(demo.db, false),
    record: await takeOut(demo.db, 'all', at),
  }
  for (const ending of ['.csv', '.long.csv', '.xlsx', '.json', '.fhir.json'] as const)
    files.set(ending, await bytesOf(await writeRecord(demo.db, ending, { voice, at })))
  await demo.close()
})

describe.each(['.json', '.fhir.json', '.long.csv', '.csv', '.xlsx'] as const)('%s', (ending) => {
  let api: Api
  beforeAll(async () => {
    api = await startApi()
    await bring(api.db, files.get(ending)!)
  })
  afterAll(() => api.close())

  test('gives the same headlines in an empty record', async () => {
    const after = await headlines(api.db)
    const wanted = ending === '.json' ? before.headlines : before.ofCheckIns
    for (const [name, said] of Object.entries(wanted))
      expect([name, after[name]]).toEqual([name, said])
    expect(after['Odette Marlowe']).toMatchObject({ groupTerm: 'black' })
  })

  // What the coach keeps besides measuring too, and what clients took of themselves.
  if (ending === '.json') test('gives everything back', everythingBack)
  async function everythingBack() {
    const { clients } = await takeOut(api.db, 'all', at)
    expect(clients).toEqual(before.record.clients)
    const juno = clients.find(({ name }) => name === 'Juno Halvard')!
    expect(juno.selfGirths.length).toBeGreaterThan(10)
    expect(juno.details).toMatchObject({ email: 'juno@example.com', sees: 'everything' })
    expect(
      clients.flatMap(({ sessionNotes, appointments, tags }) =>
        [sessionNotes, appointments, tags].map((of) => Number(of.length > 0)),
      ),
    ).toContain(1)
  }

  test('what other methods said is there, of the same people and days', async () => {
    const said = ({ clients }: Exchange) =>
      clients
        .flatMap(({ name, otherResults }) =>
          otherResults.map(({ method, on, fatPercent, device, conditions, fatKg, leanKg }) => {
            const which = { name, method, on, fatPercent, device, conditions }
            // A sheet for people has the kilograms to be read, and nobody reads them back.
            return ending.endsWith('json') ? { ...which, fatKg, leanKg } : which
          }),
        )
        .map((one) => JSON.stringify(one))
        .sort()
    const wanted = said(before.record)
    expect(wanted.length).toBeGreaterThan(5)
    expect(said(await takeOut(api.db, 'all', at))).toEqual(wanted)
  })

  test('brought in again changes nothing', async () => {
    const now = await takeOut(api.db, 'all', at)
    const counts = await bring(api.db, files.get(ending)!)
    expect(counts).toEqual({ clients: 0, checkIns: 0, readings: 0, weighIns: 0, otherResults: 0 })
    expect(await takeOut(api.db, 'all', at)).toEqual(now)
  })
})
