import { resultOf, type CheckInRecord, type IsoDate, type Person } from '../../core/index'
import type { ExchangeCheckIn, ExchangeClient } from '../contract/exchange'

/* Records of a file as the core reads them. */

/** The height in force on a day, cm: the last one until then, or else the first. */
export const heightOn = ({ heights }: ExchangeClient, day: IsoDate): number | undefined => {
  const inOrder = [...heights].sort((a, b) => (a.date < b.date ? -1 : 1))
  return (inOrder.findLast(({ date }) => date <= day) ?? inOrder[0])?.cm
}

/** A check-in as the core reads one. */
export function checkInRecord(client: ExchangeClient, checkIn: ExchangeCheckIn): CheckInRecord {
  const { protocol, ownProtocol, tolerance, extraGirths, conversion, measuredOn } = checkIn
  return {
    ...{ protocolId: protocol, ownProtocol: ownProtocol as CheckInRecord['ownProtocol'] },
    ...{ tolerance, extraGirths, conversion, measuredOn },
    heightCm: heightOn(client, measuredOn) ?? null,
    readings: checkIn.readings.map(({ tester, instrument, ...reading }) => ({
      ...reading,
      testerId: tester,
      instrumentId: instrument,
    })),
  }
}

export const personOf = ({ sex, birthDate, birthYear }: ExchangeClient): Person => ({
  ...{ sex, birthDate, birthYear, heightCm: null },
})

/** What the set of a check-in makes of it; undefined where it only keeps a record. */
export function workedOutOf(client: ExchangeClient, checkIn: ExchangeCheckIn) {
  const result = resultOf(personOf(client), checkInRecord(client, checkIn))
  return result.ok ? result.value : undefined
}
