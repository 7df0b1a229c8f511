import { say, refusal } from '#core'
import { getHeader, getRequestWebStream, type H3Event } from 'h3'
import { Refusal } from './errors'

/** The most that a JSON body may hold, bytes: a batch of 500 readings is a fifth of it. */
const MOST_JSON_BYTES = 1_000_000

/**
 * The bytes of a body, counted while they arrive: one that is too large is refused before it is in memory.
 *
 * @throws Refusal with 413
 */
const readBytes = (event: H3Event, most: number) => joined(bodyParts(event, most))

/** Parts put together, for what is small enough to be in memory. */
export async function joined(parts: AsyncIterable<Uint8Array>): Promise<Uint8Array> {
  const all: Uint8Array[] = []
  for await (const part of parts) all.push(part)
  return Buffer.concat(all)
}

/**
 * A body part by part as it arrives, and no more of it than is let in.
 *
 * @throws Refusal with 413
 */
export async function* bodyParts(event: H3Event, most: number): AsyncGenerator<Uint8Array> {
  const tooLarge = new Refusal(
    413,
    say('api.whatWasSentTooLarge', { value: (most / 1e6).toFixed(0) }),
    { code: 'too-large' },
  )
  if (Number(getHeader(event, 'content-length') ?? 0) > most) throw tooLarge
  const stream = getRequestWebStream(event) as ReadableStream<Uint8Array> | undefined
  if (!stream) return
  let length = 0
  const reader = stream.getReader()
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    length += value.byteLength
    if (length > most) {
      void reader.cancel().catch(() => {})
      throw tooLarge
    }
    yield value
  }
}

/** The content type of a request, without its parameters. */
export function contentTypeOf(event: H3Event): string {
  return (getHeader(event, 'content-type') ?? '').split(';')[0]!.trim().toLowerCase()
}

/**
 * The body of a request as JSON: application/json alone is read as such.
 *
 * @throws Refusal with 415, 413 or 400
 */
export async function readJson(event: H3Event): Promise<unknown> {
  const type = contentTypeOf(event)
  if (type !== 'application/json') {
    const words = refusal(say('api.contentType'), type.slice(0, 40), 'application/json')
    throw new Refusal(415, words, { code: 'type' })
  }
  const bytes = await readBytes(event, MOST_JSON_BYTES)
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)) as unknown
  } catch {
    throw new Refusal(400, say('api.bodyJson'), { code: 'not-json' })
  }
}
