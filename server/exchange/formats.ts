import { randomUUID } from 'node:crypto'
import { strToU8, zipSync, type Zippable } from 'fflate'
import { sql } from 'drizzle-orm'
import { isoDateOf, plainName, say } from '#core'
import { bundleOf } from '#shared/exchange/fhir-out'
import { namingBy } from '#shared/exchange/column-words'
import { csvOf, workbookOf } from '#shared/exchange/out-sheet'
import { clientSheet, longSheet, wideSheet } from '#shared/exchange/sheets-out'
import { workedOutOf } from '#shared/exchange/worked-out'
import { tell } from '#shared/words/tell'
import type { Voice } from '#shared/words/voice'
import { archiveOf, snapshotOf } from '../archive/write'
import { auditLogJson } from '../audit/log'
import { dueCalendar } from '../clients/due-calendar'
import type { Connection, Database } from '../database/driver'
import { jsonOf, rowsOf } from '../database/json'
import { clients } from '../database/schema'
import { readPhotoInTurn } from '../files/photos'
import { notFound, Refusal } from '../http/errors'
import { takeOut, type Whose } from './take-out'

/** The formats in which a record is handed out, by the ending of a file's name; longer ones come first. */
export const ENDINGS = [
  '.long.csv',
  '.fhir.json',
  '.csv',
  '.xlsx',
  '.json',
  '.ics',
  '.zip',
] as const
export type Ending = (typeof ENDINGS)[number]

export const TYPES: Record<Ending, string> = {
  '.long.csv': 'text/csv; charset=utf-8',
  '.csv': 'text/csv; charset=utf-8',
  '.xlsx': 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  '.json': 'application/json; charset=utf-8',
  '.fhir.json': 'application/fhir+json; charset=utf-8',
  '.ics': 'text/calendar; charset=utf-8',
  '.zip': 'application/zip',
}

export interface Writing {
  /** The one client: their name, or their id. */
  client?: string
  voice: Voice
  at: Date
}

/** The id of the client that a name or an id means. @throws Refusal where there is none or there are several */
async function clientCalled(db: Connection, called: string): Promise<string> {
  const all = await db.select({ id: clients.id, name: clients.name }).from(clients)
  const found = all.filter(({ id, name }) => id === called || plainName(name) === plainName(called))
  if (found.length === 0) throw notFound(say('api.suchClient'))
  if (found.length > 1)
    throw new Refusal(422, say('exchange.severalCalled', { name: called, count: found.length }), {
      code: 'refused',
      field: 'client',
    })
  return found[0]!.id
}

async function* one(bytes: Uint8Array | string): AsyncGenerator<Uint8Array> {
  yield typeof bytes === 'string' ? Buffer.from(bytes) : bytes
}

/**
 * The record of everybody or of one client in a format that others read.
 *
 * @returns the file, part by part
 * @throws Refusal where the client named is not there
 */
export async function writeRecord(
  db: Database,
  ending: Ending,
  { client, voice, at }: Writing,
): Promise<AsyncIterable<Uint8Array>> {
  const clientId = client === undefined ? undefined : await clientCalled(db, client)
  const whose: Whose = clientId === undefined ? 'all' : { clientId }
  const naming = namingBy((words) => tell(words, voice))
  const record = () => takeOut(db, whose, at)
  switch (ending) {
    case '.csv':
      return one(csvOf(wideSheet(await record(), naming)))
    case '.long.csv':
      return one(csvOf(longSheet(await record(), naming)))
    case '.xlsx': {
      const taken = await record()
      return one(await workbookOf([wideSheet(taken, naming), clientSheet(taken, naming)]))
    }
    case '.json':
      return one(JSON.stringify(await record()))
    case '.fhir.json':
      return one(JSON.stringify(bundleOf(await record(), fhirBy(voice, at))))
    case '.ics':
      return one(await dueCalendar(db, { today: isoDateOf(at), voice, clientId }))
    case '.zip':
      return clientId === undefined
        ? archiveOf(db, await snapshotOf(db), at)
        : one(await everythingOf(db, clientId, { voice, at }))
  }
}

const fhirBy = (voice: Voice, at: Date): Parameters<typeof bundleOf>[1] => ({
  at: at.toISOString(),
  newId: randomUUID,
  told: (words) => tell(words, voice),
  workedOut: (client, checkIn) => {
    const worked = workedOutOf(client, checkIn)
    return (
      worked && {
        fatPercent: worked.fatPercent,
        fatMassKg: worked.fatMassKg,
        leanMassKg: worked.leanMassKg,
        equation: worked.equationId,
      }
    )
  },
})

/** Everything that is kept about one client, for the client: the record, what was changed in it, and the photos. */
async function everythingOf(
  db: Database,
  clientId: string,
  { voice, at }: { voice: Voice; at: Date },
): Promise<Uint8Array> {
  const naming = namingBy((words) => tell(words, voice))
  const record = await takeOut(db, { clientId }, at)
  const kept = await jsonOf<{
    photos: { id: string; view: string; takenOn: string; type: string }[]
    changes: unknown[]
  }>(
    db,
    sql`json_build_object('photos', ${rowsOf(
      sql`p.id, p.view, p.taken_on as "takenOn", p.type`,
      sql`from photos p where p.client_id = ${clientId} and p.deleted_at is null`,
      sql`p.taken_on, p.view, p.id`,
    )}, 'changes', ${auditLogJson(clientId)})`,
  )
  const files: Zippable = {
    'record.json': strToU8(JSON.stringify(record, null, 2)),
    'check-ins.csv': strToU8(csvOf(wideSheet(record, naming))),
    'readings.csv': strToU8(csvOf(longSheet(record, naming))),
    'changes.json': strToU8(JSON.stringify(kept.changes, null, 2)),
  }
  for (const { id, view, takenOn, type } of kept.photos) {
    const bytes = await readPhotoInTurn(db, id)
    const end = type === 'image/png' ? 'png' : type === 'image/webp' ? 'webp' : 'jpg'
    if (bytes) files[`photos/${takenOn}-${view}-${id.slice(0, 8)}.${end}`] = [bytes, { level: 0 }]
  }
  return zipSync(files, { mtime: at })
}
