import { InputError, isoDateOf, type Around, type Choices, type Message, type Words } from '#core'
import {
  comingCheckIns,
  comingFindings,
  comingOf,
  MOST_TOLD,
  type Coming,
  type ComingCheckIn,
  type ComingFinding,
} from '#shared/exchange/coming'
import { leftRows, type LeftRows } from '#shared/exchange/left-rows'
import type { Making } from '#shared/exchange/of-file'
import { readFile, type ReadFile } from '#shared/exchange/read-file'
import { recordsIn, type RecordsIn } from '#shared/exchange/records-in'

/*
 * Reads files of old records: a workbook of ten thousand rows takes seconds, which the page must not wait for. It keeps
 * what was read; the page gets short accounts of it, and at the end all of it as one file to send.
 */

export type Asked =
  | { kind: 'open'; bytes: Uint8Array; around: Omit<Around, 'today'>; words: Making['words'] }
  | { kind: 'choose'; choices: Choices }
  | { kind: 'check-ins'; of: number }
  | { kind: 'look'; units: { mass: 'kg' | 'lb'; length: 'cm' | 'in' } }
  | { kind: 'left' }
  | { kind: 'send'; id: string; fileName: string; left: string[] }

export type Answer =
  | { kind: 'coming'; coming: Coming }
  | { kind: 'check-ins'; checkIns: ComingCheckIn[] }
  | { kind: 'looked'; findings: ComingFinding[]; found: number; done: number; of: number }
  | { kind: 'left'; reasons: Words[]; rows: LeftRows }
  | { kind: 'send'; file: Blob }
  | { kind: 'refused'; words: Message }
  /** How far it has come, from 0 to 1. */
  | { kind: 'share'; share: number }

export interface Answered {
  id: number
  answer: Answer
}

/** Of rows that were left out, on record with the import. */
const MOST_LEFT = 20_000

let file: ReadFile
let opened: Extract<Asked, { kind: 'open' }>
let read: RecordsIn
let sha256 = ''
/** The question that is being answered; what was asked before it is let go. */
let latest = 0

const hex = (bytes: ArrayBuffer) =>
  [...new Uint8Array(bytes)].map((byte) => byte.toString(16).padStart(2, '0')).join('')

/** Lets another question in. */
const breathe = () => new Promise((resolve) => setTimeout(resolve))

function understood(choices: Choices, tell: (answer: Answer) => void): Answer {
  read = recordsIn(
    file,
    { ...opened.around, today: isoDateOf(new Date()) },
    choices,
    {
      newId: () => crypto.randomUUID(),
      noonOf: (day) => new Date(`${day}T12:00`).toISOString(),
      words: opened.words,
    },
    (share) => tell({ kind: 'share', share }),
  )
  return { kind: 'coming', coming: comingOf(read) }
}

async function open(asked: Extract<Asked, { kind: 'open' }>, tell: (answer: Answer) => void) {
  opened = asked
  file = await readFile(asked.bytes)
  sha256 = hex(await crypto.subtle.digest('SHA-256', asked.bytes as BufferSource))
  return understood({ columns: {}, answers: {} }, tell)
}

async function look(
  { units }: Extract<Asked, { kind: 'look' }>,
  id: number,
  tell: (answer: Answer) => void,
): Promise<Answer> {
  const findings: ComingFinding[] = []
  let found = 0
  const of = read.lines.length
  const state = (done: number): Answer => ({
    ...{ kind: 'looked', findings: [...findings], found, done, of },
  })
  let told = performance.now()
  for (let done = 0; done < of; done++) {
    for (const one of comingFindings(read, done, units)) {
      found++
      if (findings.length < MOST_TOLD) findings.push(one)
    }
    await breathe()
    if (id !== latest) break
    if (performance.now() - told > 300) {
      tell(state(done + 1))
      told = performance.now()
    }
  }
  return state(of)
}

/** The records as the server takes them: a line for what stands once, then one for each client. */
function toSend({ id, fileName, left }: Extract<Asked, { kind: 'send' }>): Answer {
  const { gym, lines } = read
  const places = read.left.map(({ sheet, row, column }, i) => ({
    ...{ sheet, row, reason: left[i] ?? '' },
    ...(column === undefined ? {} : { column }),
  }))
  const head = {
    id,
    fileName,
    sha256,
    clients: lines.length,
    gym,
    left: places.slice(0, MOST_LEFT),
  }
  const parts = [head, ...lines].map((line) => `${JSON.stringify(line)}\n`)
  return { kind: 'send', file: new Blob(parts, { type: 'application/x-ndjson' }) }
}

self.onmessage = async ({ data: { id, asked } }: MessageEvent<{ id: number; asked: Asked }>) => {
  const tell = (answer: Answer) => self.postMessage({ id, answer } satisfies Answered)
  // Looking at one client's check-ins goes on beside whatever else is under way.
  if (asked.kind !== 'check-ins') latest = id
  try {
    if (asked.kind === 'open') tell(await open(asked, tell))
    else if (asked.kind === 'choose') tell(understood(asked.choices, tell))
    else if (asked.kind === 'check-ins')
      tell({ kind: 'check-ins', checkIns: comingCheckIns(read, asked.of) })
    else if (asked.kind === 'look') tell(await look(asked, id, tell))
    else if (asked.kind === 'left') {
      const reasons = read.left.map(({ reason }) => reason)
      tell({ kind: 'left', reasons, rows: leftRows(file, read) })
    } else tell(toSend(asked))
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    tell({ kind: 'refused', words: error.said })
  }
}
