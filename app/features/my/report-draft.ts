import { v4 as newId } from 'uuid'
import {
  addDays,
  attempt,
  daysFrom,
  limitsOf,
  parseGirth,
  parseMass,
  type GirthId,
  type IsoDate,
  type LengthUnit,
  type MassUnit,
  type Outcome,
  type Typed,
} from '#core'
import type { PhotoView } from '#shared/contract/choices'
import type { MyPage } from '#shared/contract/client-side'
import type { ReportFeelings } from '#shared/contract/weekly-reports'

/** A report as it is being written: everything as it was typed. */
export interface ReportDraft {
  id: string
  endsOn: IsoDate
  /** By day, oldest first. */
  weights: { date: IsoDate; text: string; otherwise: string }[]
  /** By girth: the first time and again. */
  girths: { girth: GirthId; texts: [string, string] }[]
  girthsOtherwise: string
  feelings: ReportFeelings
  note: string
  photos: { id: string; view: PhotoView }[]
  units: { mass: MassUnit; length: LengthUnit }
}

const WEEK = 7

/** A report of the week up to a day, with nothing in it yet. */
export const emptyDraft = (
  endsOn: IsoDate,
  asks: MyPage['asks'],
  units: ReportDraft['units'],
): ReportDraft => ({
  ...{ id: newId(), endsOn, girthsOtherwise: '', feelings: {}, note: '', photos: [], units },
  weights: daysFrom(addDays(endsOn, 1 - WEEK), WEEK).map((date) => ({
    ...{ date, text: '', otherwise: '' },
  })),
  girths: (asks?.girths ?? []).map((girth) => ({ girth, texts: ['', ''] })),
})

export const massTyped = (text: string, unit: MassUnit): Outcome<Typed> =>
  attempt(() => parseMass(text, unit))

/** A girth as it was typed; one that cannot be is refused as the server would. */
export function girthTyped(text: string, unit: LengthUnit, girth: GirthId): Outcome<Typed> {
  const read = attempt(() => parseGirth(text, unit, girth))
  const { hardLow, hardHigh } = limitsOf(girth)
  if (!read.ok || (read.value.value >= hardLow && read.value.value <= hardHigh)) return read
  return attempt(() => parseGirth('', unit, girth))
}

/** How far two readings of one tape may be apart before it is asked about, of their size. Judgement. */
const APART = 0.02
/** How far a girth may be from last week's before it is asked about, of its size. Judgement. */
const FAR = 0.04

/** What is asked about a girth before it goes: the two are apart, or last week's is far. */
export function girthDoubt(
  values: readonly number[],
  last: number | undefined,
): 'apart' | 'far' | undefined {
  const [first, second] = values
  if (first === undefined) return undefined
  if (second !== undefined && Math.abs(first - second) > APART * first) return 'apart'
  const mean = second === undefined ? first : (first + second) / 2
  return last !== undefined && Math.abs(mean / last - 1) > FAR ? 'far' : undefined
}

/** A draft as it is sent. */
export const sentOf = ({ units, weights, girths, photos: _, ...draft }: ReportDraft) => ({
  ...draft,
  weights: weights
    .filter(({ text }) => text.trim() !== '')
    .map(({ date, text, otherwise }) => ({ date, text, unit: units.mass, otherwise })),
  girths: girths.flatMap(({ girth, texts }) =>
    texts.flatMap((text, i) =>
      text.trim() === '' ? [] : { girth, trial: i + 1, text, unit: units.length },
    ),
  ),
})

/** Whether anything was typed. */
export const isEmpty = (draft: ReportDraft): boolean => {
  const { weights, girths } = sentOf(draft)
  const { note, feelings, photos } = draft
  const felt = Object.values(feelings).some((value) => value !== undefined)
  return !weights.length && !girths.length && note.trim() === '' && !felt && !photos.length
}

/**
 * A draft that was begun on an earlier day, to be written on: what was typed stays, with the days up to now beside it.
 *
 * @param fresh an empty one of today
 */
export function broughtTo(fresh: ReportDraft, kept: ReportDraft): ReportDraft {
  const typed = kept.weights.filter(({ text, otherwise }) => text !== '' || otherwise !== '')
  const days = fresh.weights.filter(({ date }) => !typed.some((day) => day.date === date))
  return {
    ...kept,
    endsOn: fresh.endsOn,
    weights: [...typed, ...days].sort((a, b) => a.date.localeCompare(b.date)),
    // Girths that are asked for since then are there too.
    girths: fresh.girths.map((one) => kept.girths.find(({ girth }) => girth === one.girth) ?? one),
  }
}
