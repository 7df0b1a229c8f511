import { describe, expect, test } from 'vitest'
import {
  columnKey,
  estimate,
  roundingOf,
  SEVEN_FOLDS,
  sheetOfText,
  understand,
  type Around,
  type Choices,
  type FileSheet,
  type KnownFold,
  type Understood,
  BONE_IDS,
} from '#core'
import { readHeading } from '../../core/exchange/sheets/headings'
import { orderOf } from '../../core/exchange/sheets/days'
import { GIRTH_IDS, SKINFOLD_IDS } from '../../core/anatomy/ids'
import { nameOf } from '../../core/anatomy/names'
import { tell } from '../support/words'

/*
 * Other people's spreadsheets: what is understood of them, and what is left out in words. The sheets are made up; how
 * people lay theirs out is common practice, no source.
 */

const AMERICAN: Around = {
  ...{ today: '2026-11-28', fileName: 'clients', known: [], testers: [] },
  usual: { length: 'in', mass: 'lb', order: 'month' },
}
const EUROPEAN: Around = { ...AMERICAN, usual: { length: 'cm', mass: 'kg', order: 'day' } }

const read = (text: string, around = AMERICAN, choices?: Choices) =>
  understand([sheetOfText(text)], around, choices)

/** What came out of somebody, in short: `triceps 12 12.5`. */
const values = ({ people }: Understood, at = 0, checkIn = 0) => {
  const sites = new Map<string, number[]>()
  for (const { site, kind, value } of people[at]!.checkIns[checkIn]!.readings)
    sites.set(site ?? kind, [...(sites.get(site ?? kind) ?? []), Number(value.toFixed(2))])
  return Object.fromEntries(sites)
}
const left = ({ left: all }: Understood) => all.map(({ row, column }) => [row, column])
const asked = ({ questions }: Understood) => questions.map(({ id, usual }) => [id, usual])

describe('headings', () => {
  test.each([
    ['Tri 1', { fold: 'triceps', trial: 1 }],
    ['SUBSCAP', { fold: 'subscapular', trial: 'all' }],
    ['Abd. skinfold (mm)', { fold: 'abdominal', kind: 'fold' }],
    ['Waist (inches)', { girth: 'waist', units: ['in'] }],
    ['Weight lbs', { fact: 'mass', units: ['lb'] }],
    ['BF%', { fact: 'fat' }],
    ['Fat mass (kg)', { fact: 'worked-out' }],
    ['Sum of 7', { fact: 'worked-out' }],
    ['D.O.B.', { fact: 'birth-date' }],
    ['First Name', { fact: 'first-name' }],
    ['M/F', { fact: 'sex' }],
    ['Height (ft/in)', { fact: 'height', units: ['ft in'] }],
    ['thigh', { fold: 'thigh', girth: 'thigh_girth' }],
    ['Avg Triceps', { fold: 'triceps', trial: 'final' }],
    ['Left arm', { girth: 'upper_arm_relaxed', side: 'left' }],
    ['DEXA BF%', { fact: 'fat-dxa', units: ['%'] }],
    ['Body fat (BIA)', { fact: 'fat-bia' }],
    ['Hydrostatic weighing %', { fact: 'fat-water' }],
    ['DXA fat mass (kg)', { fact: 'worked-out' }],
    ['own_fold_high_calf_mm_2', { fold: 'own_fold_high_calf', trial: 2 }],
  ])('%s', (heading, expected) => expect(readHeading(heading)).toMatchObject(expected))

  test('that nobody knows mean nothing', () => {
    for (const heading of ['Mood', 'Weight change', 'Goal', 'Energy 1-10'])
      expect(readHeading(heading)).not.toHaveProperty('site')
    expect(readHeading('Mood').fact).toBeUndefined()
  })

  test('of every site as files for people name it are that site', () => {
    for (const site of SKINFOLD_IDS)
      expect(readHeading(`${tell(nameOf(site))} fold (mm) 2`)).toMatchObject({
        ...{ fold: site, kind: 'fold', trial: 2 },
      })
    for (const site of GIRTH_IDS)
      expect(readHeading(`${tell(nameOf(site))} girth (cm) 1`)).toMatchObject({
        ...{ girth: site, kind: 'girth', trial: 1 },
      })
    for (const site of BONE_IDS)
      expect(readHeading(`${tell(nameOf(site))} (cm) 1`), site).toMatchObject({
        ...{ girth: site, trial: 1 },
      })
  })
})

describe('days', () => {
  test.each([
    [['1/3/2025', '1/17/2025'], 'month', false],
    [['3/1/2025', '17/1/2025'], 'day', false],
    // Nobody was measured tomorrow.
    [['3/12/2026', '3/4/2026'], 'month', false],
    // Weeks that follow one another.
    [['4/3/2025', '11/3/2025', '1/4/2025'], 'day', true],
    [['2/1/2025', '3/1/2025'], 'month', true],
    [['2.1.2025', '3.1.2025'], 'day', false],
    [['5/5/2025'], 'month', false],
  ])('%j', (cells, order, isOpen) =>
    expect(orderOf(cells, '2026-11-28', 'month')).toEqual({ order, isOpen }),
  )
})

test('semicolons, decimal commas and a title above', () => {
  const read1 = read(
    'Meine Kunden 2023;;;;\n;;;;\nName;Datum;Gewicht (kg);Triceps;Taille\nBo Beispiel;14.3.2023;80,5;12,5;82,5\n',
    EUROPEAN,
  )
  expect(read1.people[0]).toMatchObject({ name: 'Bo Beispiel' })
  expect(values(read1)).toEqual({ triceps: [12.5], waist: [82.5], mass: [80.5] })
  expect(read1.people[0]!.checkIns[0]!.date).toBe('2023-03-14')
})

test('a log sheet: sites down, days across, trials in a cell, a merged title', () => {
  const log = read(`Skinfold log - Ann Example,,,
,,,
Site,3/14/2025,4/18/2025,5/16/2025
Triceps,12,11.5,11
Suprailiac,14/15,13,n/a
Thigh,22,21,20.5*
Waist (in),29 1/2,29,28.75
Weight,145,143,-
Average,17,16,15`)
  expect(log.people).toMatchObject([{ name: 'Ann Example', sex: 'female' }])
  expect(log.people[0]!.checkIns.map(({ date, protocolId }) => [date, protocolId])).toEqual([
    ['2025-03-14', 'three-fold'],
    ['2025-04-18', 'three-fold'],
    ['2025-05-16', 'three-fold'],
  ])
  expect(values(log)).toEqual({
    ...{ triceps: [12], suprailiac: [14, 15], thigh: [22], waist: [74.93], mass: [65.77] },
  })
  expect(values(log, 0, 2)).toEqual({ triceps: [11], thigh: [20.5], waist: [73.03] })
  expect(asked(log)).toContainEqual(['name:', 'Ann Example'])
})

test('a log sheet with days over three columns each', () => {
  const log = read(
    `Name: Bo Example,,,,,,\nDOB: 1990-03-04,,,,,,\nSkinfolds,1 Mar 2025,,,1 Apr 2025,,\nChest,10,11,10.5,9,9.5,\nAbdomen,20,21,,19,18.5,\nThigh,15,15.5,,14,14,`,
  )
  expect(log.people).toMatchObject([{ name: 'Bo Example', birthDate: '1990-03-04', sex: 'male' }])
  expect(values(log)).toEqual({ chest: [10, 11, 10.5], abdominal: [20, 21], thigh: [15, 15.5] })
  expect(values(log, 0, 1)).toEqual({ chest: [9, 9.5], abdominal: [19, 18.5], thigh: [14, 14] })
})

test('a row a reading', () => {
  const long = read(`Client,Date,Site,Trial,Value,Unit
Jo Doe,2025-01-02,Triceps,1,12,mm
,,Triceps,2,12.5,mm
Jo Doe,2025-01-02,Waist,1,32,in
Jo Doe,2025-01-02,Weight,1,154,lb
Jo Doe,2025-01-02,Elbow,1,70,mm`)
  expect(values(long)).toEqual({ triceps: [12, 12.5], waist: [81.28], mass: [69.85] })
  expect(left(long)).toEqual([[6, 'Elbow']])
})

test('two clients of one name are two, by birth date', () => {
  const two = read(`Name,DOB,Date,Weight,Waist
Ann Smith,1990-01-02,2025-03-04,61.5 kg,28 in
Ann Smith,1985-05-06,2025-03-04,80 kg,34 in
Ann Smith,,2025-04-04,79 kg,33.5 in`)
  expect(two.people.map(({ birthDate, checkIns }) => [birthDate, checkIns.length])).toEqual([
    ['1990-01-02', 1],
    ['1985-05-06', 1],
  ])
  expect(left(two)).toEqual([[4, undefined]])
})

test('what contradicts a row of the same day is left out, what repeats it is a further reading', () => {
  const two = read(`Name,Sex,Date,Triceps,Thigh
Ann,F,2025-03-04,12,20
Ann,F,2025-03-04,12.5,20.5
Ann,F,2025-03-04,31,44
Ann,F,2025-03-04,12,20`)
  expect(values(two)).toEqual({ triceps: [12, 12.5], thigh: [20, 20.5] })
  expect(left(two)).toEqual([
    [4, undefined],
    [5, undefined],
  ])
})

test('results of other methods, in columns of their own and in rows that name their method', () => {
  const of = ({ people }: Understood) =>
    people[0]!.others.map(({ method, date, fatPercent, device, conditions }) =>
      [method, date, fatPercent, device, conditions].filter((one) => one !== ''),
    )
  const columns = read(
    `Name,Sex,Date,Triceps,Thigh,Abdomen skinfold,Weight,BF%,DEXA BF%
Ann Example,F,3/1/2026,14,20,16,140,22.1,24.5
Ann Example,F,4/1/2026,13,19,15,138,21.4,`,
  )
  expect(of(columns)).toEqual([['dxa', '2026-03-01', 24.5]])
  expect(columns.people[0]!.checkIns).toHaveLength(2)
  expect(columns.left).toEqual([])
  const rows = read(
    `Name,Sex,Date,Method,Body fat,Device,Notes,Weight
Ann Example,F,3/1/2026,Bioimpedance,26.2,Hand to foot,fasted,
Ann Example,F,3/1/2026,Bioimpedance,26.2,Hand to foot,fasted,
Ann Example,F,3/2/2026,DXA scan,24.5,Clinic,,
Ann Example,F,3/3/2026,DXA,124,Clinic,,
Ann Example,F,3/4/2026,7 site,22.1,,,140`,
  )
  expect(of(rows)).toEqual([
    ['bia', '2026-03-01', 26.2, 'Hand to foot', 'fasted'],
    ['dxa', '2026-03-02', 24.5, 'Clinic'],
  ])
  expect(rows.people[0]!.weighIns.map(({ date }) => date)).toEqual(['2026-03-04'])
  expect(rows.left.map(({ row, reason }) => [row, tell(reason)])).toContainEqual([
    5,
    '124 is no fat %. Accepted: 1 to 75.',
  ])
  // Shares of one are points of a hundred.
  const shares = read('Name,Sex,Date,DXA %\nAnn Example,F,3/1/2026,0.245')
  expect(of(shares)).toEqual([['dxa', '2026-03-01', 24.5]])
})

test('totals, blanks, repeated headings and rows without a day say nothing', () => {
  const sheet = read(`Name,Sex,Date,Triceps,Thigh,Notes
Ann,F,2025-03-04,12,n/a,
,,,,,
Name,Sex,Date,Triceps,Thigh,Notes
Bea,F,,13,20,
Cleo,F,2027-03-04,13,20,
Dora,F,2025-03-04,abc,20,tired
Eve,F,2025-03-04,130,21,
Average,,,13,20,`)
  expect(sheet.people.map(({ name }) => name)).toEqual(['Ann', 'Dora', 'Eve'])
  expect(values(sheet)).toEqual({ triceps: [12] })
  expect(left(sheet).sort()).toEqual([
    ...[
      [5, undefined],
      [6, undefined],
      [7, 'Triceps'],
      [8, 'Triceps'],
      [9, undefined],
    ],
  ])
  expect(sheet.people[1]!.checkIns[0]!.notes).toBe('tired')
})

test('a day on which a phase began keeps its body mass', () => {
  const sheet = read(
    `client,sex,date,mass_kg,triceps_mm_1,protocol,event\nAnn,female,2025-03-04,60,,,\nAnn,female,2025-03-04,,,,mark\nAnn,female,2025-04-04,59,12,three-fold,`,
  )
  expect(sheet.people[0]!.weighIns.map(({ date, value }) => [date, value])).toEqual([
    ['2025-03-04', 60],
  ])
  expect(sheet.people[0]!.phases).toEqual(['2025-03-04'])
  expect(sheet.left).toEqual([])
})

test('groups over two rows, units under names, sections by client', () => {
  const groups = read(
    `,,Skinfolds (mm),,,Girths (cm),,\nName,Date,Chest,Abdomen,Thigh,Waist,Thigh,Weight kg\nBo,14.3.2025,10,20,15,82,55,80`,
  )
  expect(values(groups)).toEqual({
    ...{ chest: [10], abdominal: [20], thigh: [15], waist: [82], thigh_girth: [55], mass: [80] },
  })
  const units = read(`Name,Date,Triceps,Weight\n,,mm,kg\nBo,2025-03-14,10,80`)
  expect(values(units)).toEqual({ triceps: [10], mass: [80] })
  const sections = read(
    `Date,Triceps,Wt\nAnn Example,,\n2025-03-04,10,130\n2025-04-04,10,129\nBea Example,,\n2025-03-04,20,150`,
  )
  expect(sections.people.map(({ name, checkIns }) => [name, checkIns.length])).toEqual([
    ['Ann Example', 2],
    ['Bea Example', 1],
  ])
})

test('a column that nobody knows is left out, or kept as a note where that is chosen', () => {
  const text = `Name,Date,Triceps,Mood\nAnn,2025-03-04,10,good`
  expect(asked(read(text))).toContainEqual([`column:${columnKey('', 3)}`, 'leave'])
  const noted = read(text, AMERICAN, {
    columns: {},
    answers: { [`column:${columnKey('', 3)}`]: 'note' },
  })
  expect(noted.people[0]!.checkIns[0]!.notes).toBe('good')
})

test('a unit and a meaning that are chosen count in place of what was guessed', () => {
  const text = `Name,Date,Triceps,Weight\nAnn,2025-03-04,10,110`
  expect(read(text).people[0]!.checkIns[0]!.readings.at(-1)!.value).toBeCloseTo(49.9, 1)
  const chosen = { columns: { [columnKey('', 3)]: { unit: 'kg' as const } }, answers: {} }
  expect(values(read(text, AMERICAN, chosen)).mass).toEqual([110])
})

type Seven = Record<KnownFold, number>

/** Forty rows of eight people, with figures by an equation as a calculator gives them. */
function calculated(
  work: (sex: 'male' | 'female', age: number, folds: Seven) => string,
  slip?: (i: number, folds: Seven) => void,
) {
  let seed = 7
  const next = () => (seed = (seed * 16807) % 2147483647) / 2147483647
  const rows = Array.from({ length: 40 }, (_, i) => {
    const sex = i % 2 ? 'male' : 'female'
    const base = [12, 14, 16, 15, 22, 18, 24]
    const folds = Object.fromEntries(
      SEVEN_FOLDS.map((site, k) => [site, Math.round((base[k]! + (i % 8) + next() * 3) * 2) / 2]),
    ) as Seven
    const age = 30 + (i % 8)
    const fat = work(sex, age, folds)
    slip?.(i, folds)
    const day = `2024-${String(1 + Math.floor(i / 8)).padStart(2, '0')}-15`
    return [`P${i % 8}`, day, sex, age, ...SEVEN_FOLDS.map((site) => folds[site]), fat].join(',')
  })
  return `Client,Date,Sex,Age,Chest,Midax,Triceps,Subscap,Abdomen,Suprailiac,Thigh,Body fat\n${rows.join('\n')}`
}
const bySeven =
  (conversion: 'siri' | 'brozek', digits: number) =>
  (sex: 'male' | 'female', ageYears: number, folds: Seven) =>
    estimate('jackson-pollock-7', { sex, ageYears }, folds, { conversion }).fatPercent.toFixed(
      digits,
    )

describe('the equation of an old sheet', () => {
  test.each([
    ['jackson-pollock-7', 'siri', '0.1', bySeven('siri', 1)],
    ['jackson-pollock-7', 'brozek', '0.01', bySeven('brozek', 2)],
    ['jackson-pollock-7', 'siri', '1', bySeven('siri', 0)],
    [
      ...['jackson-pollock-3', 'siri', 'cut 0.1'],
      (sex: 'male' | 'female', ageYears: number, folds: Seven) => {
        const { fatPercent } = estimate('jackson-pollock-3', { sex, ageYears }, folds)
        return (Math.floor(fatPercent * 10) / 10).toFixed(1)
      },
    ],
    [
      ...['jackson-pollock-7', 'siri', 'density 0.001, 0.1'],
      (sex: 'male' | 'female', ageYears: number, folds: Seven) => {
        const { density } = estimate('jackson-pollock-7', { sex, ageYears }, folds)
        return (495 / Number(density!.toFixed(3)) - 450).toFixed(1)
      },
    ],
  ] as [string, string, string, Parameters<typeof calculated>[0]][])(
    '%s, %s, %s',
    (id, conversion, rounding, work) => {
      const [found] = read(calculated(work)).equations
      expect(found).toMatchObject({ id, conversion, disagree: [] })
      expect(found!.agree).toHaveLength(40)
      expect(roundingOf(found!)).toBe(rounding)
    },
  )

  test('names the rows that say otherwise, and what was likely typed there', () => {
    const slipped = calculated(bySeven('siri', 1), (i, folds) => {
      if (i === 12) folds.triceps = folds.thigh
      if (i === 20) folds.thigh = Number(String(folds.thigh).split('').reverse().join(''))
    })
    const [found] = read(slipped).equations
    expect(found!.agree).toHaveLength(38)
    const rows = found!.disagree.map(({ at, looksLike }) => [
      found!.places.get(at)!.row,
      looksLike && tell(looksLike),
    ])
    expect(rows.sort()).toEqual([
      [14, 'looks like thigh typed for triceps, which was about 20.5'],
      [22, 'looks as if thigh were 31'],
    ])
  })

  test('one equation, then another', () => {
    let i = 0
    const mixed = calculated((sex, ageYears, folds) => {
      const id = i++ < 24 ? 'jackson-pollock-7' : 'jackson-pollock-3'
      return estimate(id, { sex, ageYears }, folds).fatPercent.toFixed(1)
    })
    const found = read(mixed).equations
    expect(found.map(({ id, agree }) => [id, agree.length])).toEqual([
      ['jackson-pollock-7', 24],
      ['jackson-pollock-3', 16],
    ])
  })

  test('figures that no equation gives name none', () => {
    let i = 0
    expect(read(calculated(() => (15 + ((i++ * 7.3) % 11)).toFixed(1))).equations).toEqual([])
  })
})

test('clients on record are found by name and birth date; by the name alone they are asked for', () => {
  const known = [
    {
      id: 'a',
      name: 'Ann Smith',
      sex: 'female' as const,
      birthDate: '1990-01-02',
      birthYear: null,
    },
    { id: 'b', name: 'Bo Jones', sex: 'male' as const, birthDate: null, birthYear: null },
    { id: 'c', name: 'Jon Doe', sex: 'male' as const, birthDate: '1980-05-06', birthYear: null },
  ]
  const found = read(
    `Name,DOB,Date,Waist\n"Smith, Ann",1990-01-02,2025-03-04,28 in\nBo Jones,1970-02-03,2025-03-04,34 in\nJohn Doe,1980-05-06,2025-03-04,34 in\nNew One,1980-05-07,2025-03-04,30 in`,
    { ...AMERICAN, known },
  )
  expect(found.people.map(({ clientId }) => clientId)).toEqual(['a', 'b', 'c', null])
  expect(asked(found).filter(([id]) => id!.startsWith('person'))).toEqual([
    ['person:bo jones', 'b'],
    ['person:john doe', 'c'],
  ])
})

test('sheets of a workbook are its clients, and what is no table is none', () => {
  const sheet = (name: string, rows: FileSheet['rows']): FileSheet => ({ name, rows })
  const rows: FileSheet['rows'] = [
    ['', { day: '2025-03-14' }, { day: '2025-04-14' }],
    ['Triceps', 12, 11],
    ['Thigh', 20, 19.5],
    ['Chest', 9, 8],
  ]
  const book = understand(
    [
      sheet('Bo Example', rows),
      sheet('Cy Sample', rows),
      sheet('How to', [['Pinch well'], ['Write it down']]),
    ],
    AMERICAN,
  )
  expect(book.people.map(({ name, checkIns }) => [name, checkIns.length])).toEqual([
    ['Bo Example', 2],
    ['Cy Sample', 2],
  ])
  expect(left(understand([sheet('How to', [['Pinch well']])], AMERICAN))).toEqual([[1, undefined]])
})
