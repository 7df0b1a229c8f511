import {
  correctedReading,
  readingsInForce,
  slotOf,
  standardWithin,
  type LandmarkStandard,
  type SiteId,
  type SiteStep,
  type Typed,
  kindOfSite,
  unitOfSite,
} from '#core'
import type { CheckIn, NewReading, ReadingRecord } from '#shared/contract/check-ins'
import type { Instrument } from '#shared/contract/equipment'

/** A reading as it was typed, before it is anybody's. */
export type TypedReading = Pick<
  NewReading,
  'kind' | 'site' | 'standard' | 'trial' | 'value' | 'typedUnit' | 'typedText'
> & { /** What sent it, where no hand has typed it. */ sentBy?: string | null }

/** The same with the way in which its set takes the site. */
export type LocatedReading = TypedReading & Pick<NewReading, 'technique'>

type Instruments = Partial<Pick<CheckIn, 'caliperId' | 'tapeId' | 'boneCaliperId' | 'scaleId'>>

/** What a reading of that kind is taken with; heights are taken with nothing that is on record. */
export function instrumentFor(
  kind: NewReading['kind'],
  { caliperId, tapeId, boneCaliperId, scaleId }: Instruments,
): string | null {
  const bones = { breadth: boneCaliperId, length: boneCaliperId }
  return { skinfold: caliperId, girth: tapeId, ...bones, mass: scaleId, height: null }[kind] ?? null
}

/** Instruments of the gym with their checks, as far as they put readings right. */
type Checked = readonly Pick<Instrument, 'id' | 'isCorrected' | 'checks'>[]

/**
 * What a result adds to a reading, by the newest check of its instrument, where the gym has its readings put right.
 *
 * @param value mm, cm or kg
 */
export function correctionFor(
  value: number,
  instrumentId: string | null,
  instruments: Checked,
): number | null {
  const instrument = instruments.find(({ id }) => id === instrumentId)
  const points = instrument?.isCorrected ? instrument.checks[0]?.points : undefined
  if (!points?.length) return null
  return Number((correctedReading(points, value) - value).toFixed(3))
}

/**
 * Says of a reading who takes it now and with what, and what it stands in the place of.
 *
 * @param readings those of the check-in so far
 * @param made its id, and the instant at which it was typed
 * @param instruments of the gym, with their checks
 */
export function stampReading(
  reading: LocatedReading,
  checkIn: Pick<CheckIn, 'id' | 'testerId' | 'closedAt'> & Instruments,
  readings: readonly ReadingRecord[],
  made: { id: string; takenAt: string },
  instruments: Checked,
): NewReading {
  const instrumentId = instrumentFor(reading.kind, checkIn)
  const slot = slotOf(reading)
  const before = readingsInForce(readings).find((r) => slotOf(r) === slot)
  return {
    ...reading,
    ...made,
    sentBy: reading.sentBy ?? null,
    checkInId: checkIn.id,
    supersedes: before?.id ?? null,
    testerId: checkIn.testerId,
    instrumentId,
    correctedBy: correctionFor(reading.value, instrumentId, instruments),
    ...(checkIn.closedAt === null ? {} : { repair: true }),
  }
}

/** What was typed for a fold or girth, as a reading of it. @param standard that of the set in hand */
export const typedReading = (
  { site, trial }: SiteStep,
  { value, unit, text }: Typed,
  standard: LandmarkStandard,
): TypedReading => ({
  kind: kindOfSite(site),
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
  return {
    ...{ site, standard: standardWithin(site, standard), trial, value, typedText },
    kind: kindOfSite(site),
    typedUnit: unitOfSite(site),
  }
}
