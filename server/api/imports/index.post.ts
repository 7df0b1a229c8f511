import { setResponseHeaders } from 'h3'
import { say } from '#core'
import { importHeadSchema, importLineSchema, type ImportLine } from '#shared/contract/imports'
import { exchange } from '#shared/contract/routes/exchange'
import { tell, told } from '#shared/words/tell'
import { voiceOf } from '#shared/words/voices'
import { makeBackup } from '../../archive/backups'
import { folderOf } from '../../database/driver'
import { bringIn } from '../../exchange/bring'
import { jsonLines } from '../../exchange/lines'
import { importOr404 } from '../../exchange/undo'
import { defineApi } from '../../http/define-api'
import { answerTo, Refusal } from '../../http/errors'
import { languageOf } from '../../http/language'

/**
 * Brings records in. Everything is read and checked before anything is answered; then lines say how many clients are in,
 * and the last one what came of it. Whoever breaks off before that keeps nothing.
 */
export default defineApi(exchange.bring, async ({ event, db, file, actor }) => {
  const voice = voiceOf(languageOf(event))
  const sent = jsonLines(file.parts)
  const first = await sent.next()
  const { left, ...head } = importHeadSchema.parse(first.value)
  const lines: ImportLine[] = []
  for await (const line of sent) lines.push(importLineSchema.parse(line))
  if (lines.length !== head.clients)
    throw new Refusal(422, say('api.importCutShort'), { code: 'refused', field: 'clients' })
  const folder = folderOf(db)
  if (folder !== undefined) await makeBackup(db, folder, 'import')
  const { res } = event.node
  const broken = new AbortController()
  res.once('close', () => {
    if (!res.writableEnded) broken.abort()
  })
  setResponseHeaders(event, { 'content-type': 'application/x-ndjson; charset=utf-8' })
  const write = (line: unknown) => res.write(`${JSON.stringify(line)}\n`)
  try {
    await bringIn(db, lines, {
      ...{ head, left, actor, signal: broken.signal },
      told: (reason) => tell(reason, voice),
      tell: (done) => write({ done, of: lines.length }),
    })
    write({ import: await importOr404(db, head.id) })
  } catch (error) {
    if (!broken.signal.aborted)
      write({ problems: told(answerTo(error, 'POST /api/imports').problems, voice) })
  }
  res.end()
})
