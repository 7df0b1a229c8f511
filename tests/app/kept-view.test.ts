import { expect, test } from 'vitest'
import { protocolOf, readOwnProtocol, sheetOf, trialsOf } from '#core'
import { checkInViewSchema } from '#shared/contract/check-ins'
import { idOf, readingOp, viewOf } from './support/world'

/* What the last version of this application kept in the browser, as it was. */
test('a check-in kept before sets had their own trials opens as it was', () => {
  const own = { id: 'own-boat', name: 'Boat', standard: 'us', folds: ['thigh'], girths: ['waist'] }
  const view = viewOf(idOf('kept'))
  const {
    technique: _,
    repair: _repair,
    checkInId: _of,
    ...reading
  } = readingOp(idOf('kept'), 'one', 21.5).reading
  const { birthYear: _year, ...client } = view.client
  const kept = {
    ...{ ...view, client },
    checkIn: {
      ...view.checkIn,
      ...{ protocolId: own.id, ownProtocol: { ...own, rounds: 3, toleranceMm: 1 } },
      readings: [reading],
    },
  }
  const read = checkInViewSchema.parse(JSON.parse(JSON.stringify(kept)))
  expect(read.checkIn.ownProtocol).toEqual(readOwnProtocol({ ...own, rounds: 3, toleranceMm: 1 }))
  expect(read.client.birthYear).toBeNull()
  const protocol = protocolOf(read.checkIn)
  expect(protocol.foldTrials).toMatchObject({ count: 3, most: 4 })
  expect(trialsOf(read.checkIn.readings, 'thigh', protocol)).toEqual([21.5])
  expect(sheetOf(read.client, read.checkIn).sites.thigh!.value).toBe(21.5)
})
