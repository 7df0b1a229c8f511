import { setResponseHeaders, type H3Event } from 'h3'
import { dayValue, isoDateOf, say, type Words } from '#core'
import type { PaperSize } from '#shared/contract/choices'
import { tell } from '#shared/words/tell'
import { voiceOf } from '#shared/words/voices'
import type { Connection } from '../database/driver'
import { letterheadOf } from '../equipment/letterhead'
import { languageOf } from '../http/language'
import { writePaper, type Paper, type Part } from './paper'

/**
 * Answers with a page on paper.
 *
 * @param made the page: its title, and its parts
 */
export async function answerWithPaper(
  event: H3Event,
  db: Connection,
  { size, units, today }: { size: PaperSize; units: Paper['units']; today: string },
  made: (
    paper: Paper,
  ) => Promise<{ title: Words; content: Part[] }> | { title: Words; content: Part[] },
): Promise<Buffer> {
  const language = languageOf(event)
  const voice = voiceOf(language)
  const paper: Paper = { size, language, units, today, told: (words) => tell(words, voice) }
  const [{ title, content }, letterhead] = await Promise.all([made(paper), letterheadOf(db)])
  const date = paper.told(say('reports.day', { day: dayValue(today, true) }))
  const file = await writePaper(paper, letterhead, { title: paper.told(title), date, content })
  setResponseHeaders(event, {
    'content-type': 'application/pdf',
    // Its name says nobody's: files lie about.
    'content-disposition': `inline; filename="oak-pinch-${isoDateOf(new Date())}.pdf"`,
    'x-content-type-options': 'nosniff',
  })
  return file
}
