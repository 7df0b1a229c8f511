/**
 * The verb `estimate`: a backlog of paper sheets, one row a person, to one row an equation.
 *
 * The main thread cuts the file into blocks of whole rows; two workers estimate them; the results are written in the
 * order of the file. Few blocks are under way at a time, so that memory does not grow with the file.
 */
import { availableParallelism } from 'node:os'
import { StringDecoder } from 'node:string_decoder'
import { fileURLToPath } from 'node:url'
import { parentPort, Worker } from 'node:worker_threads'
import Papa from 'papaparse'
import { BATCH_COLUMNS, batchReader } from '../core/exchange/batch'
import { columnName, csvLines, READ_ROWS } from '../core/exchange/csv'
import { onePath, opened, write } from './files'
import type { Verb } from './verb'
import { saidOf } from './said-row'

const BLOCK = 1 << 18

/** What goes to a worker: whole rows, with the header and delimiter of the file. */
interface Block {
  text: string
  /** Rows to leave out: the header line of the first block. */
  skip: number
  header: string[]
  delimiter: string
}

interface Done {
  lines: string
  failed: boolean
}

function estimateBlock(
  { text, skip, delimiter }: Block,
  read: ReturnType<typeof batchReader>,
): Done {
  const { data } = Papa.parse<string[]>(text, { ...READ_ROWS, delimiter })
  const results = data.slice(skip).flatMap(read).map(saidOf)
  return {
    lines: csvLines(BATCH_COLUMNS, results),
    failed: results.some(({ error }) => error !== ''),
  }
}

/** What a worker does: answers each block that it is sent. */
export function estimateBlocks() {
  let read: ReturnType<typeof batchReader> | undefined
  parentPort!.on('message', (block: Block) => {
    read ??= batchReader(block.header)
    parentPort!.postMessage(estimateBlock(block, read))
  })
}

/** The last end of a row in a text, which a line break inside quotes is not; -1 when there is none. */
function lastRowEnd(text: string): number {
  let end = text.lastIndexOf('\n')
  if (!text.includes('"')) return end
  let quotes = text.slice(0, end + 1).split('"').length - 1
  while (end !== -1 && quotes % 2 === 1) {
    const before = text.lastIndexOf('\n', end - 1)
    quotes -= text.slice(before + 1, end + 1).split('"').length - 1
    end = before
  }
  return end
}

/** Blocks of whole rows, each with the header of the file. */
async function* blocksOf(input: NodeJS.ReadableStream): AsyncGenerator<Block> {
  const decoder = new StringDecoder('utf8')
  let text = ''
  let form: Pick<Block, 'header' | 'delimiter'> | undefined
  const cut = (end: number): Block => {
    const rows = text.slice(0, end + 1)
    text = text.slice(end + 1)
    if (form) return { text: rows, skip: 0, ...form }
    const { data, meta } = Papa.parse<string[]>(rows, { ...READ_ROWS, preview: 20 })
    form = { header: (data[0] ?? []).map(columnName), delimiter: meta.delimiter }
    return { text: rows, skip: 1, ...form }
  }
  for await (const chunk of input) {
    text += typeof chunk === 'string' ? chunk : decoder.write(chunk as Buffer)
    if (text.length < BLOCK) continue
    const end = lastRowEnd(text)
    if (end !== -1) yield cut(end)
  }
  text += decoder.end()
  if (text.trim() !== '') yield cut(text.length)
}

/** A worker that answers one block at a time, in the order they were given. */
function startWorker() {
  const worker = new Worker(fileURLToPath(import.meta.url))
  const waiting: { resolve(done: Done): void; reject(error: Error): void }[] = []
  worker.on('message', (done: Done) => waiting.shift()!.resolve(done))
  worker.on('error', (error) => waiting.splice(0).forEach(({ reject }) => reject(error)))
  return {
    estimate: (block: Block) =>
      new Promise<Done>((resolve, reject) => {
        waiting.push({ resolve, reject })
        worker.postMessage(block)
      }),
    stop: () => worker.terminate(),
  }
}

/** Estimates every row of the input. @returns whether any row failed */
async function estimateAll(input: NodeJS.ReadableStream): Promise<boolean> {
  const workers = Array.from({ length: Math.min(2, availableParallelism()) }, startWorker)
  const underWay: Promise<Done>[] = []
  let failed = false
  let count = 0
  const settle = async () => {
    const done = await underWay.shift()!
    failed ||= done.failed
    await write(done.lines)
  }
  try {
    for await (const block of blocksOf(input)) {
      if (count === 0) await write(`${BATCH_COLUMNS.join(',')}\r\n`)
      underWay.push(workers[count++ % workers.length]!.estimate(block))
      if (underWay.length > 2 * workers.length) await settle()
    }
    while (underWay.length > 0) await settle()
  } finally {
    await Promise.all(workers.map((worker) => worker.stop()))
  }
  if (count === 0) await write(`${BATCH_COLUMNS.join(',')}\r\n`)
  return failed
}

export const estimate: Verb = {
  summary: 'fat and lean mass of each row of a CSV file, by each equation that the row feeds',
  help: `FILE

  FILE  CSV with one row a person, its columns named as docs/how-it-computes.md says; - for standard input.
  Results are CSV with one row an equation. A row that cannot be computed says why in its column error, and the
  exit code is then 1.`,
  async run(args) {
    const input = await opened(onePath(args), BLOCK)
    try {
      return (await estimateAll(input)) ? 1 : 0
    } catch (error) {
      throw new Error(
        `The file could not be read: ${error instanceof Error ? error.message : error}`,
        { cause: error },
      )
    }
  },
}
