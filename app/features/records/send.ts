import { importSchema, type Import } from '#shared/contract/imports'

/** What the server says while it brings records in, a line of JSON each. */
type Said = { done: number; of: number } | { import: unknown } | { problems: unknown }

/**
 * Sends records to be brought in. Breaking off keeps nothing.
 *
 * @param tell hears how much of it is in, from 0 to 1
 * @throws Refused, Unreachable or ServerFault, as every call does; AbortError where it was broken off
 */
export async function sendRecords(
  file: Blob,
  signal: AbortSignal,
  tell: (share: number) => void,
): Promise<Import> {
  const headers = { 'content-type': 'application/x-ndjson' }
  const response = await fetch('/api/imports', {
    ...{ method: 'POST', body: file, headers, signal },
  }).catch((error: unknown) => {
    if (signal.aborted) throw error
    throw new Unreachable()
  })
  if (!response.ok || !response.body)
    throw await refusalOf(response.status, await response.json().catch(() => undefined))
  let rest = ''
  let brought: Import | undefined
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  for (;;) {
    const { done, value } = await reader.read().catch((error: unknown) => {
      if (signal.aborted) throw error
      throw new Unreachable()
    })
    if (done) break
    const lines = (rest + value).split('\n')
    rest = lines.pop()!
    for (const line of lines) {
      const said = JSON.parse(line) as Said
      if ('import' in said) brought = importSchema.parse(said.import)
      else if ('problems' in said) throw await refusalOf(422, said)
      else tell(said.of === 0 ? 1 : said.done / said.of)
    }
  }
  // Without that line it may be in or not: the same again finds out.
  if (!brought) throw new Unreachable()
  return brought
}
