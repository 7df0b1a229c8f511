import { Readable } from 'node:stream'
import { sendStream, setResponseHeaders, type H3Event } from 'h3'
import { isoDateOf } from '#core'
import type { ExportFormat } from '#shared/contract/choices'
import { voiceOf } from '#shared/words/voices'
import type { Database } from '../database/driver'
import { languageOf } from '../http/language'
import { TYPES, writeRecord, type Ending } from './formats'

/** The ending of a file in each format. */
const ENDING: Record<ExportFormat, Ending> = {
  ...{ csv: '.csv', 'long-csv': '.long.csv', xlsx: '.xlsx', json: '.json' },
  ...{ fhir: '.fhir.json', ics: '.ics', zip: '.zip' },
}

/**
 * Answers with the record in a format.
 *
 * @param clientId the one client; everybody where not named
 */
export async function handOut(event: H3Event, db: Database, as: ExportFormat, clientId?: string) {
  const ending = ENDING[as]
  const at = new Date()
  const parts = await writeRecord(db, ending, {
    ...{ voice: voiceOf(languageOf(event)), at },
    ...(clientId === undefined ? {} : { client: clientId }),
  })
  setResponseHeaders(event, {
    'content-type': TYPES[ending],
    'content-disposition': `attachment; filename="oak-pinch-${isoDateOf(at)}${ending}"`,
    'x-content-type-options': 'nosniff',
  })
  return sendStream(event, Readable.from(parts))
}
