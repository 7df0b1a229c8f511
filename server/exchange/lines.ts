import { say } from '#core'
import { Refusal } from '../http/errors'

/** Lines of JSON as they arrive. @throws Refusal for what is none */
export async function* jsonLines(parts: AsyncIterable<Uint8Array>): AsyncGenerator<unknown> {
  const decoder = new TextDecoder('utf-8', { fatal: true })
  const read = (line: string): unknown => {
    try {
      return JSON.parse(line)
    } catch {
      throw notJson()
    }
  }
  const text = (part?: Uint8Array) => {
    try {
      return decoder.decode(part, { stream: part !== undefined })
    } catch {
      throw notJson()
    }
  }
  let rest = ''
  for await (const part of parts) {
    const lines = (rest + text(part)).split('\n')
    rest = lines.pop()!
    for (const line of lines) if (line.trim() !== '') yield read(line)
  }
  rest += text()
  if (rest.trim() !== '') yield read(rest)
}

const notJson = () => new Refusal(400, say('api.bodyJson'), { code: 'not-json' })
