import {
  readingBatchSchema,
  readingSchema,
  type ReadingReceipt,
  type ReadingRecord,
} from '#shared/check-ins'
import { appendReadings } from '../../../repositories/check-ins'
import { bodyOf, defineApi, idOf, NotFound } from '../../../utils/api'
import { announce } from '../../../utils/live'

function idIn(sent: unknown): string {
  const id = sent && typeof sent === 'object' && 'id' in sent ? sent.id : undefined
  return typeof id === 'string' ? id : ''
}

/** Stores a batch in order. A reading counts as stored only once its row is committed. */
export default defineApi(async (event, db): Promise<ReadingReceipt> => {
  const id = idOf(event)
  const batch = await bodyOf(event, readingBatchSchema)
  const good: ReadingRecord[] = []
  const refused: ReadingReceipt['refused'] = []
  for (const sent of batch.readings) {
    const parsed = readingSchema.safeParse(sent)
    if (!parsed.success) {
      refused.push({ id: idIn(sent), message: parsed.error.issues[0]!.message })
    } else if (parsed.data.checkInId !== id) {
      refused.push({ id: parsed.data.id, message: 'This reading belongs to another check-in.' })
    } else good.push(parsed.data)
  }
  if (!(await appendReadings(db, id, good))) throw new NotFound('No such check-in.')
  announce(id)
  return { stored: good.map((reading) => reading.id), refused }
})
