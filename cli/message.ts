/** The verb `message`: what a client wrote, understood. */
import { parseArgs } from 'node:util'
import { isIsoDate } from '../core/units/dates'
import { formatAsTyped } from '../core/units/format'
import { nameOf } from '../core/anatomy/names'
import {
  type MessageGirth,
  type MessageHints,
  type MessageWeight,
  readMessage,
  type ReadMessage,
} from '../core/weekly-report/message'
import { tell } from '../shared/words/tell'
import { readWhole, write } from './files'
import { UsageError, type Verb } from './verb'
import { voice } from './voice'

const OPTIONS = {
  today: { type: 'string' },
  locale: { type: 'string' },
  json: { type: 'boolean' },
} as const

/** Where body mass is read in pounds and girths in inches; common practice, no source. */
const POUNDS_AND_INCHES = ['US', 'LR', 'MM']

/** How numbers without a unit, and 11/1, are read where both are possible. */
function waysOf(locale: string | undefined): Omit<MessageHints, 'today'> {
  if (locale === undefined) return {}
  let region: string | undefined
  try {
    ;({ region } = new Intl.Locale(locale).maximize())
  } catch {
    throw new UsageError(`--locale: got "${locale}". Accepted: a language and a region, as en-US.`)
  }
  const american = POUNDS_AND_INCHES.includes(region ?? '')
  return {
    ...(american ? { mass: 'lb', length: 'in' } : { mass: 'kg', length: 'cm' }),
    monthFirst: region === 'US',
  }
}

function argumentsOf(args: readonly string[]) {
  let parsed
  try {
    parsed = parseArgs({ args: [...args], options: OPTIONS, allowPositionals: true })
  } catch (error) {
    throw new UsageError((error as Error).message)
  }
  const { values, positionals } = parsed
  const [path, ...more] = positionals
  if (path === undefined) throw new UsageError('File: is missing. Accepted: a text file, or -.')
  if (more.length > 0) throw new UsageError(`File: got ${positionals.length}. Accepted: one.`)
  const { today } = values
  if (today === undefined || !isIsoDate(today)) {
    const got = today === undefined ? 'is missing' : `got "${today}"`
    throw new UsageError(`--today: ${got}. Accepted: the day of the message, as 2026-11-25.`)
  }
  return { path, today, json: values.json ?? false, ways: waysOf(values.locale) }
}

const weightJson = ({ kg, typed, ...rest }: Omit<MessageWeight, 'date'> & { date?: string }) => ({
  ...(rest.date === undefined ? {} : { date: rest.date }),
  ...{ kg, typed },
})
const girthJson = ({ girth, cm, typed }: MessageGirth) => ({ girth, cm, typed })

const jsonOf = ({ weights, girths, note, questions }: ReadMessage) => ({
  weights: weights.map(weightJson),
  girths: girths.map(girthJson),
  note,
  questions: questions.map(({ about, text, said, options }) => ({
    ...{ about, text, question: tell(said, voice()) },
    options: options.map((option) =>
      'weight' in option ? weightJson(option.weight) : girthJson(option.girth),
    ),
  })),
})

/** What was understood, a line each. */
function linesOf({ weights, girths, note, questions }: ReadMessage): string[] {
  return [
    ...weights.map(({ date, kg, unit }) => `${date}  ${formatAsTyped(kg, unit)}`),
    ...girths.map(
      ({ girth, cm, unit }) => `${tell(nameOf(girth), voice())}  ${formatAsTyped(cm, unit)}`,
    ),
    ...(note === '' ? [] : [note]),
    ...questions.map(({ said, text }) => `? ${tell(said, voice())} (${text})`),
  ]
}

export const message: Verb = {
  summary: 'what a client wrote: weights with their days, girths, a note, and what is open',
  help: `FILE --today DATE [--locale en-US] [--json]

  FILE      The message as it came, as text; - for standard input.
  --today   The day that it was written on, as 2026-11-25. Days without a date count back from it.
  --locale  Where the client lives: it says which unit a bare number has and whether 11/1 is in November, where both
            are possible. Kilograms, centimeters and the day first where not said.
  --json    { weights: [{ date, kg, typed }], girths: [{ girth, cm, typed }], note, questions: [...] }.
  What is open is a question, and nothing of it is among the weights and girths.`,
  async run(args) {
    const { path, today, json, ways } = argumentsOf(args)
    const read = readMessage(await readWhole(path), { today, ...ways })
    await write(
      json ? `${JSON.stringify(jsonOf(read), undefined, 2)}\n` : `${linesOf(read).join('\n')}\n`,
    )
    return 0
  },
}
