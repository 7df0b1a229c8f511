import { readingBatchSchema, readingSchema, type ReadingReceipt } from '#shared/check-ins'
import { appendReading, toolsOf } from '../../../repositories/check-ins'
import { bodyOf, defineApi, idOf } from '../../../utils/api'
import { checkInOr404 } from '../../../utils/check-in'

function idIn(sent: unknown): string {
  const id = sent && typeof sent === 'object' && 'id' in sent ? sent.id : undefined
  return typeof id === 'string' ? id : ''
}

/** Stores a batch in order. A reading counts as stored only once its row is committed. */
export default defineApi(async (event, db): Promise<ReadingReceipt> => {
  const { id } = await checkInOr404(db, idOf(event))
  const batch = await bodyOf(event, readingBatchSchema)
  const tools = (await toolsOf(db, id))!
  const receipt: ReadingReceipt = { stored: [], refused: [] }
  for (const sent of batch.readings) {
    const parsed = readingSchema.safeParse(sent)
    if (!parsed.success) {
      receipt.refused.push({ id: idIn(sent), message: parsed.error.issues[0]!.message })
      continue
    }
    const reading = parsed.data
    if (reading.checkInId !== id) {
      receipt.refused.push({ id: reading.id, message: 'This reading belongs to another check-in.' })
      continue
    }
    const instrumentId = { skinfold: tools.caliperId, girth: null, mass: tools.scaleId }[
      reading.kind
    ]
    await appendReading(db, reading, { coachId: tools.coachId, instrumentId })
    receipt.stored.push(reading.id)
  }
  return receipt
})
