/** What the verbs read and write. */
import { tell } from '../shared/words/tell'
import { voice } from './voice'
import { once } from 'node:events'
import { createReadStream } from 'node:fs'
import Papa from 'papaparse'
import { columnName, READ_ROWS } from '../core/exchange/csv'
import type { RefusedRow } from '../core/exchange/rows'
import { UsageError } from './verb'

/** The one file that a verb takes. */
export function onePath(args: readonly string[]): string {
  const [path, ...more] = args
  if (path === undefined) throw new UsageError('File: is missing. Accepted: a CSV file, or -.')
  if (more.length > 0) throw new UsageError(`File: got ${args.length}. Accepted: one.`)
  return path
}

/** A file, opened, so that one that is not there is told of before anything is written. */
export async function opened(path: string, block?: number): Promise<NodeJS.ReadableStream> {
  if (path === '-') return process.stdin
  const input = createReadStream(path, { highWaterMark: block })
  await once(input, 'open').catch((error: NodeJS.ErrnoException) => {
    const why = error.code === 'ENOENT' ? 'there is no such file' : error.message
    throw new Error(`File: got "${path}", ${why}. Accepted: a CSV file, or - for standard input.`)
  })
  return input
}

/** The whole text of a file, every kind of line end made one. */
export async function readWhole(path: string): Promise<string> {
  const parts: Buffer[] = []
  for await (const chunk of await opened(path)) parts.push(Buffer.from(chunk))
  return Buffer.concat(parts).toString('utf8').replace(/\r\n?/g, '\n')
}

/** The rows of a CSV file with its columns by their names; empty ones stay, so that a row is named by its number. */
export async function readTable(path: string): Promise<string[][]> {
  const text = await readWhole(path)
  const { data } = Papa.parse<string[]>(text, { ...READ_ROWS, skipEmptyLines: false })
  const [header = [], ...rows] = data
  return [header.map(columnName), ...rows]
}

/** Names what was refused, with row and column. */
export function tellRefused(refused: readonly RefusedRow[]): void {
  for (const { row, column, words } of refused) {
    process.stderr.write(`Row ${row}, column ${column}: ${tell(words, voice())}\n`)
  }
}

/** Writes in step with whoever reads the output. */
export function write(text: string): Promise<void> {
  return new Promise((resolve) => {
    if (process.stdout.write(text)) resolve()
    else process.stdout.once('drain', resolve)
  })
}
