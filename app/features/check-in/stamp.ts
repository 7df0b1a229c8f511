import {
  isSkinfold,
  readingsInForce,
  slotOf,
  standardWithin,
  type LandmarkStandard,
  type SiteId,
  type SiteStep,
  type Typed,
} from '#core'
import type { CheckIn, NewReading, ReadingRecord } from '#shared/contract/check-ins'

/** A reading as it was typed, before it is anybody's. */
export type TypedReading = Pick<
  NewReading,
  'kind' | 'site' | 'standard' | 'trial' | 'value' | 'typedUnit' | 'typedText'
>

/** The same with the way in which its set takes the site. */
export type LocatedReading = TypedReading & Pick<NewReading, 'technique'>

type Instruments = Partial<Pick<CheckIn, 'caliperId' | 'tapeId' | 'scaleId'>>

/** What a reading of that kind is taken with; heights are taken with nothing that is on record. */
export function instrumentFor(
  kind: NewReading['kind'],
  { caliperId, tapeId, scaleId }: Instruments,
): string | null {
  return { skinfold: caliperId, girth: tapeId, mass: scaleId, height: null }[kind] ?? null
}

/**
 * Says of a reading who takes it now and with what, and what it stands in the place of.
 *
 * @param readings those of the check-in so far
 * @param made its id, and the instant at which it was typed
 */
export function stampReading(
  reading: LocatedReading,
  checkIn: Pick<CheckIn, 'id' | 'testerId' | 'closedAt'> & Instruments,
  readings: readonly ReadingRecord[],
  made: { id: string; takenAt: string },
): NewReading {
  const slot = slotOf(reading)
  const before = readingsInForce(readings).find((r) => slotOf(r) === slot)
  return {
    ...reading,
    ...made,
    checkInId: checkIn.id,
    supersedes: before?.id ?? null,
    testerId: checkIn.testerId,
    instrumentId: instrumentFor(reading.kind, checkIn),
    ...(checkIn.closedAt === null ? {} : { repair: true }),
  }
}

/** What was typed for a fold or girth, as a reading of it. @param standard that of the set in hand */
export const typedReading = (
  { site, trial }: SiteStep,
  { value, unit, text }: Typed,
  standard: LandmarkStandard,
): TypedReading => ({
  kind: isSkinfold(site) ? 'skinfold' : 'girth',
  ...{ site, standard: standardWithin(site, standard), trial },
  ...{ value, typedUnit: unit, typedText: text },
})

/**
 * A value that was likely meant, as if it had been typed.
 *
 * @param value mm, cm or kg
 * @param standard that of the set in hand
 */
export function meantReading(
  site: SiteId | 'mass',
  trial: number,
  value: number,
  standard: LandmarkStandard,
): TypedReading {
  const typedText = String(Number(value.toFixed(3)))
  if (site === 'mass') {
    const bare = { kind: 'mass', site: null, standard: null } as const
    return { ...bare, trial, value, typedUnit: 'kg', typedText }
  }
  const fold = isSkinfold(site)
  return {
    ...{ site, standard: standardWithin(site, standard), trial, value, typedText },
    kind: fold ? 'skinfold' : 'girth',
    typedUnit: fold ? 'mm' : 'cm',
  }
}
