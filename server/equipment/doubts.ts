import { doubtOn, instrumentDue, proposedInstrument, type IsoDate } from '#core'
import type { Instrument } from '#shared/contract/equipment'
import type { ClientRecord } from '#shared/contract/record'
import type { Today } from '#shared/contract/today'

/* Instruments that are out of tolerance, what stands on them, and which are to be checked. */

/** A check-in, as far as it may be in doubt. */
export interface TakenWith {
  measuredOn: IsoDate
  instrumentIds: readonly (string | null)[]
}

/** The instruments of a check-in whose readings of that day are in doubt. One that is put right is not. */
export const doubtsOf = (
  all: readonly Instrument[],
  { measuredOn, instrumentIds }: TakenWith,
): ClientRecord['doubts'] =>
  all.flatMap((instrument) => {
    const { id, name, isCorrected } = instrument
    const doubt = instrumentIds.includes(id) && !isCorrected && doubtOn(instrument, measuredOn)
    return doubt ? [{ name, ...doubt }] : []
  })

/** What is to be done about the instruments in use: those that are out first, then what is overdue, then what comes. */
export function instrumentsToCheck(
  all: readonly Instrument[],
  today: IsoDate,
): Today['instruments'] {
  const order = { out: 0, overdue: 1, soon: 2 }
  return all
    .filter(({ retired }) => !retired)
    .flatMap((instrument) => {
      const due = instrumentDue(instrument, today)
      if (!due) return []
      const { id, name, kind, checks } = instrument
      const lastOn = checks[0]?.checkedOn ?? null
      return [{ id, name, kind, what: due.what, lastOn, days: 'days' in due ? due.days : null }]
    })
    .sort((a, b) => order[a.what] - order[b.what])
}

/** The instruments that a check-in is begun with: those in use, or others in place of what is out of tolerance. */
export const proposedInstruments = <
  T extends Record<'caliperId' | 'tapeId' | 'boneCaliperId' | 'scaleId', string | null>,
>(
  all: readonly Instrument[],
  inUse: T,
): T => ({
  ...inUse,
  caliperId: proposedInstrument(all, 'caliper', inUse.caliperId),
  tapeId: proposedInstrument(all, 'tape', inUse.tapeId),
  boneCaliperId: proposedInstrument(all, 'bone-caliper', inUse.boneCaliperId),
  scaleId: proposedInstrument(all, 'scale', inUse.scaleId),
})
