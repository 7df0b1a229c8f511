import { inputError } from '../errors'
import { say } from '../say'
import { resolvedDays } from './message-days'
import { readGirths, readWeights, unitOfMasses } from './message-figures'
import { canBeMass, kgOf, type NumberToken } from './message-numbers'
import { readSentence, sentencesOf } from './message-sentences'
import { type Token, tokensOf } from './message-tokens'
import type { MessageHints, MessageQuestion, ReadMessage } from './message-types'

export type * from './message-types'

/** A message is a few lines, no book. */
const LONGEST = 20_000

/** A part of the message, with the brackets round it. */
function closed(text: string, from: number, to: number): string {
  const opened = /[([“"]\s*$/.exec(text.slice(0, from))?.[0] ?? ''
  const shut = /^\s*[)\]”"]/.exec(text.slice(to))?.[0] ?? ''
  return (opened + text.slice(from, to) + shut).trim()
}

/** What a message says besides its numbers: whole parts of sentences that nothing was read from, and words beside what was. */
function noteOf(sentences: readonly Token[][], text: string, used: ReadonlySet<Token>): string {
  const ofSentence = (sentence: readonly Token[]) => {
    const clauses: Token[][] = [[]]
    for (const token of sentence) {
      if (token.kind === 'break') clauses.push([])
      else clauses.at(-1)!.push(token)
    }
    const parts = clauses.flatMap((clause): string[] => {
      const talks = clause.some(
        (token) =>
          (token.kind === 'word' && !token.filler) ||
          (token.kind === 'aside' && !token.time) ||
          (token.kind === 'cue' &&
            ['goal', 'lift', 'change', 'rated', 'other'].includes(token.cue)) ||
          (token.kind === 'number' && !used.has(token)),
      )
      if (!talks) return []
      // What was read is left out, but the day that the words are of stays.
      const runs: Token[][] = [[]]
      for (const token of clause) {
        const drop = token.kind === 'sent' || (used.has(token) && token.kind !== 'day')
        if (drop) runs.push([])
        else runs.at(-1)!.push(token)
      }
      return [
        runs
          .filter((run) => run.length > 0)
          .map((run) => closed(text, run[0]!.at, run.at(-1)!.end))
          .join(' '),
      ]
    })
    return parts.filter((part) => part !== '').join(', ')
  }
  return sentences
    .map(ofSentence)
    .filter((part) => part !== '')
    .join('. ')
}

/**
 * Reads a message as a client sends it: masses with their days, girths, and what else it says. What is open is asked, and
 * nothing of it counts until it is answered. Weekdays in the order typed count back from the newest day that fits.
 *
 * @returns masses in kg and girths in cm
 * @throws InputError naming `message` for one that is empty or longer than 20,000 characters
 */
export function readMessage(message: string, hints: MessageHints): ReadMessage {
  if (message.trim() === '' || message.length > LONGEST) {
    const got =
      message.trim() === '' ? '' : say('weeklyReport.characters', { count: message.length })
    throw inputError(
      'message',
      message.trim() === '' ? 'missing' : 'impossible',
      say('weeklyReport.message'),
      got,
      say('weeklyReport.messageAccepted', { longest: LONGEST }),
    )
  }
  const { text, tokens } = tokensOf(message, hints.monthFirst ?? false)
  const sentences = sentencesOf(tokens)
  let on = hints.today
  const read = sentences.map((sentence) => {
    const sent = sentence.find((token) => token.kind === 'sent')
    const day = sent && resolvedDays([{ said: sent.day, on: hints.today }])[0]
    if (day !== undefined && day <= hints.today) on = day
    return readSentence(sentence, on, sent !== undefined)
  })
  const candidates = read.flatMap(({ weights }) => weights)
  const found = read.flatMap(({ girths }) => girths)
  const masses = readWeights(candidates, hints, text)
  const tape = readGirths(found, hints)
  const open = read.flatMap(({ means, unknown }): MessageQuestion[] => [
    ...(candidates.length === 0
      ? means.map((number) => openNumber('which-day', 'weeklyReport.askMean', number, hints))
      : []),
    ...unknown.map((number) =>
      openNumber('unknown-number', 'weeklyReport.askWhatIs', number, hints),
    ),
  ])
  const used = new Set<Token>([
    ...candidates.flatMap(({ number, day }) => (day ? [number, day] : [number])),
    ...found.map(({ number }) => number),
    ...read.flatMap(({ means, unknown }) => [...means, ...unknown]),
    ...tokens.filter(({ kind }) => kind === 'girth'),
  ])
  return {
    weights: masses.weights,
    girths: tape.girths,
    note: noteOf(sentences, text, used),
    questions: [...masses.questions, ...tape.questions, ...open],
  }
}

function openNumber(
  about: 'which-day' | 'unknown-number',
  key: 'weeklyReport.askMean' | 'weeklyReport.askWhatIs',
  number: NumberToken,
  hints: MessageHints,
): MessageQuestion {
  const unit = number.unit ?? unitOfMasses([number], hints)
  const weight = { kg: kgOf(number.value, unit), typed: number.text, unit }
  return {
    about,
    text: number.text,
    said:
      key === 'weeklyReport.askMean'
        ? say('weeklyReport.askMean', { typed: number.text })
        : say('weeklyReport.askWhatIs', { typed: number.text }),
    options: canBeMass(number) ? [{ weight }] : [],
  }
}
