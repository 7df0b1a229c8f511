import { SITE_KINDS, type LandmarkStandard, type SiteId } from '../anatomy/ids'

/** What a reading may be a reading of. */
export const READING_KINDS = [...SITE_KINDS, 'mass', 'height'] as const
export type ReadingKind = (typeof READING_KINDS)[number]

/** One number called out and typed: the truth that everything else is computed from. */
export interface Reading {
  id: string
  kind: ReadingKind
  /** What of the body was measured; null for mass and height. */
  site: SiteId | null
  standard: LandmarkStandard | null
  /** How it was found or held, where that was not the standard's own way (`techniqueOf`). */
  technique?: string | null
  /** Which round it belongs to, from 1; 0 for a first reading that is thrown away. */
  trial: number
  /** mm for folds, cm for girths, breadths, lengths and height, kg for mass. */
  value: number
  /** ISO 8601 instant. */
  takenAt: string
  /** Id of the reading that this one corrects. */
  supersedes: string | null
  /** Who took it, and with what; those of the check-in where nothing is said. */
  testerId?: string
  instrumentId?: string | null
  /** What a result adds to it, mm, cm or kg: its instrument read wrong by so much, and the gym has that put right. */
  correctedBy?: number | null
  /** The device that sent it, by its name; null where a hand has typed it. */
  sentBy?: string | null
}

/** What a reading counts as in a result: as it was read, put right by the check of its instrument where that is wanted. */
export const countedValue = ({ value, correctedBy }: Pick<Reading, 'value' | 'correctedBy'>) =>
  value + (correctedBy ?? 0)

/**
 * The readings in force: those that no other supersedes. Where two people corrected the same reading, the later one
 * counts; both stay on record.
 *
 * @param readings all readings of one check-in, in any order
 * @returns in force only, in the order they were given
 */
export function readingsInForce<R extends Reading>(readings: readonly R[]): R[] {
  const superseded = new Set<string>()
  for (const { supersedes } of readings) if (supersedes !== null) superseded.add(supersedes)
  const latest = new Map<string, R>()
  for (const reading of readings) {
    if (superseded.has(reading.id)) continue
    const slot = slotOf(reading)
    const rival = latest.get(slot)
    if (!rival || isLater(reading, rival)) latest.set(slot, reading)
  }
  const kept = new Set(latest.values())
  return readings.filter((reading) => kept.has(reading))
}

/** The box on the sheet that a reading fills: kind, site, standard, technique and trial. */
export function slotOf({
  kind,
  site,
  standard,
  technique,
  trial,
}: Pick<Reading, 'kind' | 'site' | 'standard' | 'technique' | 'trial'>): string {
  return `${kind}|${site ?? ''}|${standard ?? ''}|${technique ?? ''}|${trial}`
}

function isLater(a: Reading, b: Reading) {
  const [instantA, instantB] = [Date.parse(a.takenAt), Date.parse(b.takenAt)]
  return instantA === instantB ? a.id > b.id : instantA > instantB
}
