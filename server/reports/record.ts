import {
  addDays,
  capital,
  foldSumOf,
  followedFolds,
  formatLength,
  formatMass,
  fixed,
  headlineOf,
  isGirth,
  lookAtRecord,
  quantityName,
  recordBySelf,
  resultOf,
  sheetOf,
  type CoursePoint,
  type Headline,
  type IsoDate,
  type Look,
  type Measured,
  type RecordQuantity,
  type SiteId,
} from '#core'
import { pointed } from '#shared/words/formats'
import type { ClientRecord } from '#shared/contract/record'
import { partsOf } from '../verdicts/say'
import type { Paper } from './paper'

/* What pages on paper say of a record: as the client's page has it. */

type CheckIn = Measured & ClientRecord['checkIns'][number]

/** A record with what it says. */
export interface ReadRecord {
  record: ClientRecord
  /** False for a client who sees sums and girths only. */
  shown: boolean
  /** True where nobody but the client has measured. */
  bySelf: boolean
  look: Look | undefined
  headline: Headline | undefined
  /** What the headline speaks of: the phase, or the whole record. */
  horizon: 'first' | 'phase'
  /** The check-in that this begins with. */
  since: CheckIn | undefined
  /** The way from there, check-in by check-in. */
  course: readonly CoursePoint[]
  newest: CheckIn | undefined
  before: CheckIn | undefined
  checkIns: readonly CheckIn[]
  nextOn: IsoDate | null
}

/** Reads a record for a page. @param shown whether fat and lean may be on it */
export function readRecord(record: ClientRecord, shown: boolean): ReadRecord {
  const byCoach = partsOf(record)
  const bySelf = byCoach.checkIns.length === 0
  const parts = bySelf ? recordBySelf(record) : { ...byCoach, fatAndLean: shown }
  const checkIns = parts.checkIns as CheckIn[]
  const look = checkIns.length < 2 ? undefined : lookAtRecord(parts, { retrospect: {} })
  const newest = checkIns.at(-1)
  const { cadenceDays, nextDueOn } = record.client
  const usual = newest ? addDays(newest.measuredOn, cadenceDays) : null
  const headline = look && headlineOf(look, { spacingDays: cadenceDays })
  const horizon = headline?.horizon === 'phase' ? 'phase' : 'first'
  const from = look?.horizons[horizon]?.since
  return {
    ...{
      record,
      shown: shown && !bySelf,
      bySelf,
      look,
      newest,
      checkIns,
      headline,
      horizon,
      before: checkIns.at(-2),
    },
    since: checkIns.find(({ measuredOn }) => measuredOn === from) ?? checkIns[0],
    course: look?.course(horizon) ?? [],
    nextOn: nextDueOn && newest && nextDueOn > newest.measuredOn ? nextDueOn : usual,
  }
}

/** Figures as a page writes them. */
export function figuresOn({ units, language }: Paper) {
  const local = (text: string) => pointed(language, text)
  const value = (quantity: RecordQuantity, of: number) => {
    if (isGirth(quantity)) return local(formatLength(of, units.length))
    if (quantity === 'fat' || quantity === 'lean' || quantity === 'mass')
      return local(formatMass(of, units.mass))
    return `${local(fixed(of, 0))} mm`
  }
  const change = (quantity: RecordQuantity, of: number) => {
    const size = value(quantity, Math.abs(of))
    const isNothing = /^0(?:[.,]0+)?(?: |$)/.test(size)
    return isNothing ? size : `${of < 0 ? '−' : '+'}${size}`
  }
  return { local, value, change, tenth: (of: number) => local(fixed(of, 1)) }
}

/** What a check-in has of a quantity, as it was measured that day. */
export function valueAt(
  { record, checkIns }: ReadRecord,
  checkIn: CheckIn,
  quantity: RecordQuantity,
): number | undefined {
  const { client } = record
  const sheet = sheetOf(client, checkIn)
  if (quantity === 'mass') return sheet.subject.massKg
  if (quantity === 'fat' || quantity === 'lean') {
    const found = resultOf(client, checkIn)
    if (!found.ok) return undefined
    return quantity === 'fat' ? found.value.fatMassKg : found.value.leanMassKg
  }
  if (quantity === 'sum') {
    const followed = followedFolds(checkIns.map((one) => sheetOf(client, one)))
    return foldSumOf(sheet, followed?.folds)?.mm
  }
  return sheet.sites[quantity as SiteId]?.value
}

/** What a quantity is called at the head of a line. */
export const titleOf = (quantity: RecordQuantity, { told }: Pick<Paper, 'told'>): string =>
  capital(told(quantityName(quantity)).replace(/^the /, ''))
