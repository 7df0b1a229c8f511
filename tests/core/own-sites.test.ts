import { tell, told } from '../support/words'
import { describe, expect, test } from 'vitest'
import {
  followedFolds,
  InputError,
  isGirth,
  isSkinfold,
  readDifferences,
  lastValues,
  nameOf,
  ownCopyOf,
  ownProtocol,
  ownSiteId,
  PROTOCOLS,
  protocolById,
  readingsInForce,
  readOwnProtocol,
  sheetOf,
  siteGuide,
  siteNameIn,
  techniqueOf,
  trialsOf,
  USUAL_SETUP,
  usualRules,
  type Measured,
  type OwnProtocol,
  type SiteId,
} from '#core'
import { own, taken, UNTIL_TWO_AGREE } from './own-set'
import { thrownBy } from './support'

describe('sites of the coach’s own', () => {
  test.each([
    ['High calf', 'own_fold_high_calf', 'High calf'],
    ['  pectoral groove ', 'own_fold_pectoral_groove', 'Pectoral groove'],
    ['Wade, höchste', 'own_fold_wade_höchste', 'Wade höchste'],
    ['上腕', 'own_fold_上腕', '上腕'],
  ])('%s is named by its id', (typed, id, name) => {
    expect(ownSiteId('fold', typed)).toBe(id)
    expect(nameOf(id as SiteId)).toBe(name)
    expect(isSkinfold(id)).toBe(true)
    expect(isGirth(id)).toBe(false)
  })

  test.each(['', ' ', '!!', 'x'.repeat(41), '\u202e'])('%o is no name', (typed) => {
    expect(ownSiteId('girth', typed)).toBeUndefined()
  })

  test('ids that only look like one are none', () => {
    for (const id of ['own_fold_', 'own_fold_a b', 'own_fold_-x', 'own_thigh_x', 'own_fold_a\n']) {
      expect(isSkinfold(id), id).toBe(false)
    }
  })

  const HIGH = ownSiteId('fold', 'High calf') as 'own_fold_high_calf'
  const LINE = ownSiteId('girth', 'Under the ribs') as 'own_girth_under_the_ribs'
  const set = own({
    folds: ['chest', 'suprailiac', HIGH],
    girths: ['bust', 'under_bust', LINE],
    wording: {
      [HIGH]: { landmark: 'A hand under the knee, inside.' },
      [LINE]: { landmark: 'Level with the last rib.' },
      chest: { name: 'Pectoral', landmark: 'In the pectoral groove.' },
      suprailiac: { name: 'Side of the abdomen' },
    },
  })

  test('are found by the words of the set, and count in its sum and in no equation', () => {
    const read = readOwnProtocol(set)
    const protocol = ownProtocol(read)
    expect(siteGuide(protocol, HIGH, 'female').where).toBe('A hand under the knee, inside.')
    expect(told(siteGuide(protocol, LINE, 'female').how)).toMatch(/level all round/)
    expect(siteNameIn(protocol, 'chest')).toBe('Pectoral')
    // A name alone is no other place.
    expect(techniqueOf(protocol, 'suprailiac')).toBeNull()
    expect(techniqueOf(protocol, 'chest')).toBe('In the pectoral groove.')
    const readings = [
      ...taken(read, 'chest', [10]),
      ...taken(read, 'suprailiac', [12]),
      ...taken(read, HIGH, [9]),
      ...taken(read, LINE, [74]),
    ]
    const record = {
      ...{ protocolId: read.id, ownProtocol: read, conversion: 'siri' as const },
      ...{ measuredOn: '2026-03-01', readings },
    }
    const person = { sex: 'female' as const, birthDate: '1990-01-01', heightCm: 168 }
    const sheet = sheetOf(person, record)
    expect(followedFolds([sheet])!.folds).toHaveLength(3)
    expect(sheet.missing).toEqual(['bust', 'under_bust'])
  })

  test.each([
    [{ wording: {} }, /High calf, where it lies/],
    [{ folds: [HIGH, HIGH] }, /High calf twice/],
    [{ wording: { ...set.wording, chest: { technique: 'seated' } } }, /Chest: .* Got “seated/],
    [{ foldTrials: { ...UNTIL_TWO_AGREE, most: 1 } }, /Folds, readings at most: .* Got 1\./],
    [{ foldTrials: { ...UNTIL_TWO_AGREE, count: 6 } }, /Folds, readings: enter 1 to 5\. Got 6\./],
    [
      { girthTrials: { ...UNTIL_TWO_AGREE } },
      /Girths, tolerance: enter 0\.1 to 10 cm, or .* Got something of another form/,
    ],
    [{ readingDelaySeconds: 60 }, /Seconds to the reading: enter 1 to 10, or none\. Got 60/],
  ])('a set is refused with words: %o', (change, words) => {
    const error = thrownBy(() => readOwnProtocol({ ...set, ...change }))
    expect(told(error)).toBeInstanceOf(InputError)
    expect(tell((error as InputError).said)).toMatch(words)
  })

  test('a named set is copied whole, and a set of an earlier version is read as it was', () => {
    for (const protocol of PROTOCOLS) {
      const copy = readOwnProtocol({ ...told(ownCopyOf(protocol, 'female')), id: 'own-copy' })
      const again = ownProtocol(copy)
      expect(again.folds.female).toEqual(protocol.folds.female)
      expect(again.foldTrials).toEqual(protocol.foldTrials)
      expect(again.girthTrials).toEqual(protocol.girthTrials)
      expect(again.equations.female).toEqual(expect.arrayContaining(protocol.equations.female))
    }
    const old = { id: 'own-old', name: 'Old', standard: 'us', folds: ['thigh'], girths: [] }
    expect(readOwnProtocol({ ...old, rounds: 3, toleranceMm: 1 }).foldTrials).toEqual({
      ...usualRules('us').foldTrials,
      ...{ count: 3, most: 4, tolerance: { kind: 'mm', value: 1 } },
    })
  })
})

describe('like for like', () => {
  const copy = (technique?: string) =>
    readOwnProtocol({
      ...told(ownCopyOf(protocolById('eight-fold-int'), 'male')),
      ...{ id: 'own-eight', wording: technique ? { front_thigh: { technique } } : {} },
    })
  const visit = (on: string, set: OwnProtocol, thigh: number): Measured => ({
    ...{ protocolId: set.id, ownProtocol: set, conversion: 'siri', measuredOn: on },
    setup: USUAL_SETUP,
    readings: set.folds.flatMap((site) => taken(set, site, [site === 'front_thigh' ? thigh : 12])),
  })
  const man = { sex: 'male' as const, birthDate: '1990-01-01', heightCm: 180 }

  test('a thigh lifted by the client is never compared with one as it lies', () => {
    const [plain, held] = [
      visit('2026-03-01', copy(), 20),
      visit('2026-04-01', copy('supported'), 12),
    ]
    const judged = readDifferences(man, plain, held)
    expect(judged.folds.map(({ site }) => site)).not.toContain('front_thigh')
    expect(judged.sum).toMatchObject({ isWhole: false })
    expect(judged.sum!.folds).toHaveLength(7)
    const alike = readDifferences(man, held, visit('2026-05-01', copy('supported'), 10))
    const thigh = alike.folds.find(({ site }) => site === 'front_thigh')!
    expect(thigh.now - thigh.then).toBe(-2)
    expect(alike.sum!.isWhole).toBe(true)
    const last = (technique?: string) => {
      const protocol = ownProtocol(copy(technique))
      return lastValues(protocol, 'male', [held, plain]).front_thigh!.value
    }
    expect([last('supported'), last()]).toEqual([12, 20])
    // The standard's own way by its name is the standard's own way.
    expect(techniqueOf(ownProtocol(copy('seated')), 'front_thigh')).toBeNull()
  })

  test('readings of two ways stand beside each other; those without a way are the standard’s', () => {
    const [plain, held] = [
      taken(copy(), 'front_thigh', [20]),
      taken(copy('supported'), 'front_thigh', [12]),
    ]
    const both = [...plain, ...held]
    expect(readingsInForce(both)).toHaveLength(2)
    const { technique: _, ...before } = plain[0]!
    expect(trialsOf([before, ...held], 'front_thigh', ownProtocol(copy()))).toEqual([20])
    expect(trialsOf(both, 'front_thigh', ownProtocol(copy('supported')))).toEqual([12])
  })
})
