import type { OwnProtocol } from '#core'
import type {
  CheckInChange,
  CheckInWithReadings,
  NewReading,
  ReadingRecord,
} from '#shared/contract/check-ins'
import { t } from '../../words/say'
import type { SiteNote } from '#shared/contract/clients'

/** Why the server did not take an operation, in its words. */
export interface SetAside {
  code: string
  message: string
}

interface Op {
  /** Made here, so that sending it twice does it once. */
  id: string
  checkInId: string
  /** What the server said against it; null while it waits. */
  setAside: SetAside | null
}

/** A reading as it was typed: with who took it and with what. */
export interface ReadingOp extends Op {
  kind: 'reading'
  reading: NewReading
}

/** A reading that waits for the server. */
export const readingOp = (reading: NewReading): ReadingOp => ({
  ...{ kind: 'reading', id: reading.id, checkInId: reading.checkInId },
  ...{ reading, setAside: null },
})

/** A change of what the check-in says of itself. */
export interface ChangeOp extends Op {
  kind: 'change'
  change: CheckInChange
}

/** A site note of the client, kept for ever. */
export interface SiteNoteOp extends Op {
  kind: 'site-note'
  clientId: string
  note: SiteNote
}

/** One thing that was done in a check-in and has not been answered yet. */
export type Operation = ReadingOp | ChangeOp | SiteNoteOp

export const isWaiting = ({ setAside }: Operation) => setAside === null

/**
 * What to send next of one check-in: the first that waits, and where that is a reading the readings right behind it.
 *
 * @param most readings sent at once
 */
export function nextToSend(operations: readonly Operation[], most = 200): Operation[] {
  const waiting = operations.filter(isWaiting)
  const [first] = waiting
  if (first?.kind !== 'reading') return first ? [first] : []
  const end = waiting.findIndex(({ kind }) => kind !== 'reading')
  return waiting.slice(0, Math.min(most, end === -1 ? waiting.length : end))
}

/** What the server keeps beside the readings, with a change put on. */
function changed<C extends Omit<CheckInWithReadings, 'readings'>>(
  checkIn: C,
  { revision: _r, window: _w, skips, extraGirths, conditions, ...choices }: CheckInChange,
  ownProtocols: readonly OwnProtocol[],
): C {
  const next = { ...checkIn, ...choices }
  const { protocolId } = choices
  if (protocolId !== undefined) {
    next.ownProtocol = ownProtocols.find(({ id }) => id === protocolId) ?? null
  }
  if (skips) {
    const left = next.skipped.filter(({ site }) => !(site in skips))
    const added = Object.entries(skips).flatMap(([site, reason]) =>
      reason === null || reason === undefined ? [] : [{ site, reason }],
    )
    next.skipped = [...left, ...added] as C['skipped']
  }
  if (extraGirths) {
    const left = next.extraGirths.filter((girth) => extraGirths[girth] !== false)
    const added = Object.entries(extraGirths).flatMap(([girth, wanted]) => (wanted ? [girth] : []))
    next.extraGirths = [...new Set([...left, ...added])] as C['extraGirths']
  }
  if (conditions) {
    const all = { ...next.conditions, ...conditions }
    const chosen = Object.entries(all).filter(([, value]) => value !== null && value !== '')
    next.conditions = Object.fromEntries(chosen) as C['conditions']
  }
  return next
}

/**
 * A check-in as it is here: what the server has, with everything that waits put on in its order. What was set aside
 * counts for nothing until it is mended.
 *
 * @param ownProtocols the gym's, for a protocol chosen among them
 */
export function withOperations(
  checkIn: CheckInWithReadings,
  operations: readonly Operation[],
  ownProtocols: readonly OwnProtocol[] = [],
): CheckInWithReadings {
  let here = checkIn
  for (const operation of operations)
    if (isWaiting(operation) && operation.checkInId === checkIn.id && operation.kind === 'change')
      here = changed(here, operation.change, ownProtocols)
  return withReadings(here, operations)
}

/** The same of the readings alone: for who types and chooses nothing. */
export function withReadings<T extends { id: string; readings: ReadingRecord[] }>(
  checkIn: T,
  operations: readonly Operation[],
): T {
  const known = new Set(checkIn.readings.map(({ id }) => id))
  const taken = operations.flatMap((o): ReadingRecord[] =>
    o.kind === 'reading' && isWaiting(o) && o.checkInId === checkIn.id && !known.has(o.id)
      ? [o.reading]
      : [],
  )
  return taken.length > 0 ? { ...checkIn, readings: [...checkIn.readings, ...taken] } : checkIn
}

/** Site notes as they are here: the server's, with those that wait in their place. */
export function withSiteNotes(
  notes: readonly SiteNote[],
  operations: readonly Operation[],
): SiteNote[] {
  const mine = operations.flatMap((o) => (o.kind === 'site-note' && isWaiting(o) ? [o.note] : []))
  const same = (a: SiteNote, b: SiteNote) => a.site === b.site && a.standard === b.standard
  const latest = mine.filter((note, i) => !mine.slice(i + 1).some((later) => same(note, later)))
  return [...notes.filter((note) => !latest.some((n) => same(n, note))), ...latest]
}

/** What an operation does, for the list of what was set aside. */
export function wordsFor(operation: Operation, nameOf: (site: string) => string): string {
  if (operation.kind === 'reading') {
    const { site, kind, trial, typedText, typedUnit } = operation.reading
    const what = site ? nameOf(site) : kind === 'mass' ? t('checkIn.bodyMass') : t('checkIn.height')
    return t('checkIn.readingLine', { what, trial, typedText, typedUnit })
  }
  if (operation.kind === 'site-note')
    return t('checkIn.siteNoteOf', { site: nameOf(operation.note.site) })
  const { revision: _r, window: _w, ...parts } = operation.change
  return t('checkIn.choiceOf', { join: Object.keys(parts).join(', ') })
}
