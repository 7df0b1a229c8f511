import { tell, told } from '../support/words'
import { describe, expect, test } from 'vitest'
import {
  equationById,
  GIRTH_IDS,
  girthLandmark,
  InputError,
  landmarkOf,
  ownProtocol,
  readOwnProtocol,
  PROTOCOLS,
  recommend,
  standardOfSite,
  siteValue,
  type Candidate,
  type OwnProtocol,
  usualRules,
} from '#core'
import { thrownBy } from './support'

describe('protocols', () => {
  const sexes = ['male', 'female'] as const

  test('land every fold by a standard that has it, and hold the sites of the equations they feed', () => {
    for (const protocol of PROTOCOLS) {
      for (const sex of sexes) {
        for (const site of protocol.folds[sex]) {
          expect(
            landmarkOf(site, standardOfSite(protocol, site)),
            `${protocol.id} ${site}`,
          ).toBeDefined()
        }
        for (const id of protocol.equations[sex]) {
          const { folds, girths } = equationById(id).variants.find((v) => v.sex === sex)!
          expect(protocol.folds[sex]).toEqual(expect.arrayContaining(folds))
          expect(protocol.girths[sex]).toEqual(expect.arrayContaining(girths))
        }
      }
    }
  })

  test('every girth says where and how; one name is two places in two standards', () => {
    for (const id of GIRTH_IDS)
      expect(girthLandmark(id).where && girthLandmark(id).how).toBeTruthy()
    expect(landmarkOf('abdominal', 'us')!.offset).not.toBe(landmarkOf('abdominal', 'int')!.offset)
    expect(landmarkOf('suprailiac', 'int')).toBeUndefined()
  })

  test('the international standard takes the median of three and 5 % or a graduation', () => {
    const { tolerance, value } = PROTOCOLS.find((p) => p.id === 'eight-fold-int')!.foldTrials
    expect(siteValue([10, 11, 12], tolerance, value)).toMatchObject({
      value: 11,
      method: 'median',
    })
    expect(siteValue([5, 5.5], tolerance, value)!.flagged).toBe(false)
    expect(siteValue([20, 21.5], tolerance, value)!.flagged).toBe(true)
  })
})

describe("a protocol of the coach's own", () => {
  const own: OwnProtocol = {
    id: 'own-quick',
    name: 'Quick look',
    standard: 'us',
    folds: ['abdominal', 'chest', 'thigh'],
    girths: ['waist'],
    ...usualRules('us'),
  }

  test('feeds the equations whose sites it holds, in its own order', () => {
    const protocol = ownProtocol(readOwnProtocol(own))
    expect(protocol.folds.male).toEqual(['abdominal', 'chest', 'thigh'])
    expect(protocol.equations.male).toEqual(['jackson-pollock-3', 'wilmore-behnke-folds'])
    expect(protocol.equations.female).toEqual([])
  })

  test.each([
    [{ folds: ['chest', 'chest'] }, /Chest twice/],
    [{ folds: ['supraspinale'] }, /standard us/],
    [{ folds: [], girths: [] }, /one site or more/],
    [{ name: ' ' }, /Name/],
  ] as const)('is refused with words: %o', (change, words) => {
    const error = thrownBy(() => readOwnProtocol({ ...own, ...change }))
    expect(error).toBeInstanceOf(InputError)
    expect(tell((error as InputError).said)).toMatch(words)
  })
})

/* What the main standards would choose (common practice, no source). */
describe('the recommender', () => {
  const usual: Candidate = {
    sex: 'female',
    ageYears: 35,
    training: 'recreational',
    build: 'usual',
    flags: [],
    instruments: ['caliper', 'tape', 'scale', 'height'],
  }
  const TABLE: [
    what: string,
    client: Partial<Candidate>,
    first: string | null,
    not: string,
    why: RegExp,
  ][] = [
    ['a first visit', {}, 'seven-fold', 'youth', /8 to 17/],
    [
      'the same as last time',
      { last: { protocolId: 'three-fold' } },
      'three-fold',
      'very-overweight',
      /obesity/,
    ],
    [
      'another tester than last time',
      { last: { protocolId: 'seven-fold', anotherTester: true } },
      'seven-fold',
      'youth',
      /8 to 17/,
    ],
    [
      'very overweight',
      { build: 'very overweight' },
      'very-overweight',
      'seven-fold',
      /girths, mass and BMI/,
    ],
    [
      'very overweight, folds last time',
      { build: 'very overweight', last: { protocolId: 'seven-fold' } },
      'very-overweight',
      'seven-fold',
      /lose accuracy/,
    ],
    ['very lean', { build: 'very lean', sex: 'male' }, 'seven-fold', 'very-overweight', /obesity/],
    ['youth with consent', { ageYears: 14 }, 'youth', 'seven-fold', /starts at 18/],
    [
      'youth without consent',
      { ageYears: 14, flags: ['no guardian consent'] },
      null,
      'youth',
      /guardian/,
    ],
    [
      'a male athlete',
      { sex: 'male', training: 'athlete', ageYears: 24 },
      'eight-fold-int',
      'youth',
      /8 to 17/,
    ],
    [
      'a female athlete',
      { training: 'athlete', ageYears: 24 },
      'eight-fold-int',
      'very-overweight',
      /obesity/,
    ],
    [
      'an athlete measured by seven folds before',
      { training: 'athlete', ageYears: 24, last: { protocolId: 'seven-fold' } },
      'seven-fold',
      'youth',
      /8 to 17/,
    ],
    ['over 60', { sex: 'male', ageYears: 66 }, 'four-fold-dw', 'youth', /8 to 17/],
    ['pregnant', { flags: ['pregnant'] }, null, 'seven-fold', /pregnancy/],
    [
      'an eating disorder',
      { flags: ['eating disorder'], last: { protocolId: 'seven-fold' } },
      null,
      'tape-only',
      /other goals/,
    ],
    [
      'no caliper',
      { instruments: ['tape', 'scale', 'height'] },
      'tape-only',
      'seven-fold',
      /no caliper/,
    ],
    [
      'no tape',
      { instruments: ['caliper', 'scale', 'height'] },
      'seven-fold',
      'tape-only',
      /no tape/,
    ],
    [
      'broken skin at the sites',
      { flags: ['skin or surgery at the sites'] },
      'tape-only',
      'seven-fold',
      /surgery/,
    ],
    [
      'physique preparation',
      { sex: 'male', training: 'physique', ageYears: 28 },
      'seven-fold',
      'nine-fold',
      /no source and no ages/,
    ],
    ['a woman of 70', { ageYears: 70 }, 'four-fold-dw', 'nine-fold', /no source and no ages/],
    [
      'a man of 75',
      { sex: 'male', ageYears: 75 },
      'four-fold-dw',
      'nine-fold',
      /no source and no ages/,
    ],
    [
      'no scale',
      { instruments: ['caliper', 'tape', 'height'] },
      'seven-fold',
      'nine-fold',
      /no scale/,
    ],
  ]

  test.each(TABLE)('%s', (_what, client, first, not, why) => {
    const { advice, not: against, cautions } = recommend({ ...usual, ...client })
    expect(advice[0]?.protocol.id ?? null).toBe(first)
    expect(told(against.find((n) => n.protocol.id === not)?.reason)).toMatch(why)
    for (const { reason } of [...advice, ...against]) expect(told(reason)).toMatch(/\.$/)
    if (first === null) expect(cautions.length).toBeGreaterThan(0)
  })

  test('says what a changed tester costs', () => {
    const last = { protocolId: 'seven-fold', anotherTester: true }
    expect(told(recommend({ ...usual, last }).advice[0]!.reason)).toMatch(/one and a half times/)
  })
})
