import {
  askWho,
  InputError,
  KnownPeople,
  Questions,
  say,
  understand,
  type Around,
  type Choices,
  type LeftOut,
  type Question,
  type ReadSheet,
  type Understood,
} from '../../core/index'
import {
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  exchangeSchema,
  type Exchange,
  type ExchangeGym,
} from '../contract/exchange'
import type { ImportLine } from '../contract/imports'
import { problemsOf } from '../contract/problems'
import { exchangeOfBundle } from './fhir-in'
import { isBundle } from './fhir-resources'
import { recordsOf, type Making } from './of-file'
import type { ReadFile } from './read-file'
import { refusedFile } from './workbook'

/** What a file comes to, before it is put on record. */
export interface RecordsIn {
  gym: ExchangeGym
  lines: ImportLine[]
  left: LeftOut[]
  questions: Question[]
  equations: Understood['equations']
  /** What was understood of each sheet; none where the file says itself what it is. */
  sheets: ReadSheet[]
  /** What sheets came to, for a look at it before it is brought in. */
  people: Understood['people']
}

/** The file of JSON as a record of ours. @throws InputError naming `file` */
function exchangeIn(data: unknown, making: Making): { record: Exchange; left: LeftOut[] } {
  if (isBundle(data)) return exchangeOfBundle(data, making)
  const head = (data ?? {}) as { format?: unknown; version?: unknown }
  if (head.format !== EXCHANGE_FORMAT) throw refusedFile(say('exchange.otherJson'))
  if (typeof head.version === 'number' && head.version > EXCHANGE_VERSION)
    throw refusedFile(say('exchange.newerJson'))
  const read = exchangeSchema.safeParse(data)
  if (read.success) return { record: read.data, left: [] }
  const [problem] = problemsOf(read.error)
  throw new InputError(
    'file',
    'impossible',
    say('exchange.wrongIn', { where: problem!.field, words: problem!.message }),
  )
}

/** Clients of a record that says itself what it is: those on record by their ids, the others by name. */
function matched(
  { clients }: Exchange,
  { known }: Around,
  questions: Questions,
): { lines: ImportLine[]; left: LeftOut[] } {
  const ids = new Set(known.map(({ id }) => id))
  const people = new KnownPeople(known)
  const left: LeftOut[] = []
  const lines = clients.flatMap((client, i): ImportLine[] => {
    if (ids.has(client.id)) return [{ into: client.id, client }]
    const { name, sex, birthDate, birthYear } = client
    const match = people.match({
      ...{ name, sex },
      birthDate: birthDate ?? undefined,
      birthYear: birthYear ?? undefined,
    })
    const into = askWho({ key: client.id, name }, match, questions)
    if (into === 'leave') {
      left.push({ sheet: '', row: i + 1, reason: say('exchange.personLeftOut', { name }) })
      return []
    }
    return [{ into: into?.id ?? null, client }]
  })
  return { lines, left }
}

/**
 * What a file comes to: clients with their check-ins and body masses, beside what is left out and what is open.
 *
 * @param tell hears how far it has come, from 0 to 1
 * @throws InputError naming `file`
 */
export function recordsIn(
  file: ReadFile,
  around: Around,
  choices: Choices,
  making: Making,
  tell?: (share: number) => void,
): RecordsIn {
  if (file.kind === 'sheets') {
    const understood = understand(file.sheets, around, choices, tell)
    return { ...understood, ...recordsOf(understood, making) }
  }
  const { record, left } = exchangeIn(file.data, making)
  const questions = new Questions(choices.answers)
  const { people, instruments, ownProtocols } = record
  const found = matched(record, around, questions)
  return {
    ...{ gym: { people, instruments, ownProtocols }, lines: found.lines },
    left: [...left, ...found.left],
    ...{ questions: questions.asked, equations: [], sheets: [], people: [] },
  }
}
