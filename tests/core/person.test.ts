import { tell, told } from '../support/words'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  ageOf,
  ageOn,
  ageText,
  bornFrom,
  candidateOf,
  energyPlan,
  everyResultOf,
  indicesOf,
  InputError,
  leastAgeOf,
  standingFindings,
  protocolById,
  recommend,
  resultOf,
  sheetOf,
  startOf,
  type CheckInRecord,
  type Instrument,
  type Person,
} from '#core'
import { fold, thrownBy } from './support'

const TODAY = '2026-11-26'
const unknown: Person = { sex: 'female', birthDate: null, heightCm: null }
const byYear = (birthYear: number): Person => ({ ...unknown, birthYear })

const FOLDS = [11, 12, 14, 13, 20, 15, 24]
const seven = (person: Person, protocolId = 'seven-fold'): CheckInRecord => ({
  ...{ protocolId, conversion: 'siri', measuredOn: TODAY },
  readings: [
    ...protocolById(protocolId).folds[person.sex].map((site, i) => fold(site, 1, FOLDS[i]!)),
    {
      ...{ id: 'mass', kind: 'mass', site: null, standard: null, trial: 1, value: 62 },
      ...{ takenAt: `${TODAY}T09:00:00Z`, supersedes: null },
    },
  ],
})

describe('what is known of an age', () => {
  test('a year of birth is right to half a year, and never older than it may be', () => {
    const day = fc.date({
      min: new Date('1930-01-01'),
      max: new Date('2015-12-31'),
      noInvalidDate: true,
    })
    fc.assert(
      fc.property(day, (born) => {
        const birthDate = born.toISOString().slice(0, 10)
        const exact = ageOn(birthDate, TODAY)
        const year = byYear(born.getUTCFullYear())
        expect(Math.abs(ageOf(year, TODAY)! - exact)).toBeLessThanOrEqual(1)
        expect(leastAgeOf(year, TODAY)!).toBeLessThanOrEqual(exact)
        expect(bornFrom(year)! <= birthDate).toBe(true)
        expect(ageOf({ birthDate }, TODAY)).toBe(exact)
        expect(leastAgeOf({ birthDate }, TODAY)).toBe(exact)
      }),
    )
  })

  test('nothing known is said, and is no number', () => {
    expect([ageOf(unknown, TODAY), leastAgeOf(unknown, TODAY), bornFrom(unknown)]).toEqual([
      undefined,
      undefined,
      undefined,
    ])
    expect(told(ageText(unknown, TODAY))).toBe('age not on record')
    expect(told(ageText(byYear(1990), TODAY))).toBe('about 36 years')
  })
})

describe('somebody one knows little of', () => {
  test('what counts age says what it needs, and everything else works', () => {
    const record = seven(unknown)
    const lead = resultOf(unknown, record)
    expect(lead.ok).toBe(false)
    if (lead.ok) return
    expect(told(lead.error)).toBeInstanceOf(InputError)
    expect(tell(lead.error.said)).toMatch(/age: enter .*year of birth on record\.$/)
    const every = everyResultOf(unknown, record)
    const works = every.filter(({ ok }) => ok).map(({ equation }) => equation.id)
    // Equations that do not count age: they warn of the ages they were made on.
    expect(works).toContain('evans-7')
    expect(sheetOf(unknown, record).sites.chest!.value).toBe(11)
    expect(indicesOf({ sex: 'female', massKg: 62, girths: { waist: 75, hip: 96 } })).toHaveLength(2)
  })

  test('a year of birth gives the estimate, within a tenth of a point of the day', () => {
    const [year, day] = [byYear(1990), { ...unknown, birthDate: '1990-03-01' }].map((person) =>
      resultOf(person, seven(person)),
    )
    expect(
      year!.ok && day!.ok && Math.abs(year!.value.fatPercent - day!.value.fatPercent),
    ).toBeLessThan(0.1)
  })

  test('no set that counts age is advised; the young are guarded by the least age they may have', () => {
    const instruments: Instrument[] = ['caliper', 'tape', 'scale']
    const asked = (person: Person) =>
      recommend(
        candidateOf(
          {
            sex: person.sex,
            ageYears: ageOf(person, TODAY),
            leastAgeYears: leastAgeOf(person, TODAY),
          },
          undefined,
          instruments,
        ),
      )
    const { advice, not, cautions } = asked(unknown)
    expect(told(not.find(({ protocol }) => protocol.id === 'seven-fold')!.reason)).toMatch(
      /counts age/,
    )
    expect(told(cautions).join()).toMatch(/age is not on record/)
    for (const { protocol } of advice) {
      const id = protocol.equations.female[0]
      if (id !== undefined) expect(['navy-inch', 'withers-4', 'nine-site-ratio'], id).toContain(id)
    }
    // Born in 2008: eighteen or not yet, so a guardian consents first.
    expect(told(asked(byYear(2008)).cautions).join()).toMatch(/guardian/)
    expect(told(asked(byYear(2007)).cautions).join()).not.toMatch(/guardian/)
  })

  test('a plan is drawn without an age; only the form that counts it asks for it', () => {
    const record = seven(unknown, 'four-fold')
    const start = { ...startOf(byYear(1990), record, TODAY)!, ageYears: undefined }
    expect(
      energyPlan(start, { form: 'lean', activity: 1.5, paceKg: 0.3 }).restingKcal,
    ).toBeGreaterThan(1000)
    const error = thrownBy(() =>
      energyPlan({ ...start, heightCm: 168 }, { form: 'mass', activity: 1.5, paceKg: 0.3 }),
    )
    expect(tell((error as InputError).said)).toMatch(/^Age: enter .*on record\.$/)
    const words = (of: object) =>
      standingFindings({ ...start, ...of }, { flags: [], today: TODAY }).map(({ words: w }) => w)
    expect(told(words({ leastAgeYears: undefined })).join()).toMatch(/age is not on record/)
    expect(told(words({ ageYears: 18, leastAgeYears: 17 })).join()).toMatch(/Under 18: no deficit/)
  })
})
