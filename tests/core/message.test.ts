import { addDays, GIRTH_IDS, InputError, type MessageHints, readMessage, weekdayOf } from '#core'
import { describe, expect, test } from 'vitest'
import { randomLcg } from 'd3-random'

/** A Wednesday. */
const today = '2026-11-25'
const AMERICAN = { mass: 'lb', length: 'in', monthFirst: true } as const

const read = (message: string, hints: Partial<MessageHints> = {}) =>
  readMessage(message, { today, ...hints })

/** As `11-23 83.2`, to a twentieth of a kilogram. */
const weights = (message: string, hints: Partial<MessageHints> = {}) =>
  read(message, hints).weights.map(({ date, kg }) => `${date.slice(5)} ${kg.toFixed(1)}`)

const girths = (message: string, hints: Partial<MessageHints> = {}) =>
  read(message, hints).girths.map(({ girth, cm }) => `${girth} ${cm.toFixed(1)}`)

const asked = (message: string, hints: Partial<MessageHints> = {}) =>
  read(message, hints).questions.map(({ about, text }) => [about, text])

describe('the days of a message', () => {
  test.each([
    ['Mon 83.2, Tue 82.9 Wed 82.8 Thu 82.8 Fri 82.6 Sat 82.4, Sun 82.5', '11-16 83.2'],
    ['Mon 83.2 Tue 82.9', '11-23 83.2'],
    ['Mon 83.2 Wed 82.9', '11-23 83.2'],
    ['Sun 82.5, Sat 82.6, Fri 82.9', '11-20 82.9'],
    ['Hi coach! Mon 83.2', '11-23 83.2'],
    ['83.2 on Monday and 82.9 on Tuesday', '11-23 83.2'],
    ['Weighed 83.2 on Monday and on Tuesday 82.9', '11-23 83.2'],
    ['Nov 1st 83.2', '11-01 83.2'],
    ['1 November: 83.2', '11-01 83.2'],
    ['Mon 16 Nov 83.2, Tues 17th 82.9', '11-16 83.2'],
    ['Thu 19 78.4\nFri 20 78.1', '11-19 78.4'],
    ['2026-11-20 83.2', '11-20 83.2'],
    ['12/11 83.2, 13/11 83.0', '11-12 83.2'],
    ['yesterday 83.2, today 82.9', '11-24 83.2'],
    ['Mon\n83.2\nTue\n82.9', '11-23 83.2'],
    ['Mon Tue Wed\n83.2 82.9 82.7', '11-23 83.2'],
    ['Mo 83.2 Tu 82.9', '11-23 83.2'],
    ['[23/11/2026, 07:12:33] Col: 83.2\n[24/11/2026, 07:15:02] Col: 82.9', '11-23 83.2'],
    ['weight 83.2 🎉 feeling great', '11-25 83.2'],
    ['\u200eMon\u00a083.2\u202c', '11-23 83.2'],
  ])('%j begins with %s', (message, first) => {
    expect(weights(message)[0]).toBe(first)
    expect(asked(message)).toEqual([])
  })

  test('weekdays of any run of days count back from the newest day that fits', () => {
    const random = randomLcg(0.11)
    const names = ['Monday', 'tues', 'Wed', 'Thurs', 'fri', 'Saturday', 'SUN']
    const marks = [' ', ': ', ' - ', ' = ', ' was ']
    const ends = [', ', ' ', '\n', '; ', ' 💪 ', ' and ']
    for (let i = 0; i < 300; i++) {
      // The last of them is the latest day of its name.
      const last = addDays(today, -Math.floor(random() * 7))
      const count = 1 + Math.floor(random() * 30)
      const days = Array.from({ length: count }, (_, d) => addDays(last, d + 1 - count)).filter(
        (day) => day === last || random() < 0.85,
      )
      // Over a week without a day there is another day of that name.
      const gaps = days.every((day, d) => d === 0 || addDays(days[d - 1]!, 7) > day)
      if (!gaps) continue
      const mass = (d: number) => (82 + ((d * 7) % 10) / 10).toFixed(1)
      const text = days
        .map((day, d) => {
          const mark = marks[Math.floor(random() * marks.length)]!
          return `${names[weekdayOf(day)]}${mark}${mass(d)}`
        })
        .reduce((all, one) => all + ends[Math.floor(random() * ends.length)]! + one)
      const expected = days.map((day, d) => `${day.slice(5)} ${mass(d)}`)
      expect(weights(text), text).toEqual(expected)
    }
  })
})

describe('the weights of a message', () => {
  test.each([
    ['today 13st 2', {}, 83.46],
    ['Mon 13 stone 2 1/2 lbs', {}, 83.69],
    ['183.4 lbs this morning', {}, 83.19],
    ['Mon 183.4', AMERICAN, 83.19],
    ['Mon 83.2', AMERICAN, 83.2],
    ['Mon 183.1', {}, 83.05],
    ['Mon 150', { lastKg: 68 }, 68.04],
    ['Mon 83,2', {}, 83.2],
    ['83.2 in the morning', {}, 83.2],
    ['Mon -83.2', {}, 83.2],
    ['Mon 83.2 am 84.1 pm', {}, 83.2],
    ['Lost 2 lbs! now down to 181.6', AMERICAN, 82.37],
  ])('%j with %j is one of %f kg', (message, hints, kg) => {
    const found = read(message, hints)
    expect(found.questions).toEqual([])
    expect(found.weights).toHaveLength(1)
    expect(found.weights[0]!.kg).toBeCloseTo(kg, 2)
    expect(message).toContain(found.weights[0]!.typed)
  })

  test('numbers of other things are none', () => {
    const message = `Mon 83.2 at 7, call me on 555 0182 or +44 7700 900123. Squat 100 kg x 5, 10,000 steps a day,
      slept 7-8 hours, hunger 7/10, goal 80 kg, BP 120/80, resting HR 58, lost 30 kg in all`
    expect(weights(message)).toEqual(['11-23 83.2'])
    expect(asked(message)).toEqual([])
    const { note } = read(message)
    for (const kept of ['555 0182', '100 kg', '10,000 steps', 'hunger 7/10', 'goal 80 kg']) {
      expect(note).toContain(kept)
    }
  })

  test.each([
    ['Mon 83.2 / 82.9 Tue 82.7', [['which-weight', 'Mon 83.2 / 82.9']], ['11-24 82.7']],
    ['Mon 83.2 Mon 83.0 Tue 82.8', [['which-weight', 'Mon 83.2 Mon 83.0']], ['11-24 82.8']],
    ['83.2, 82.9', [['which-day', '83.2, 82.9']], []],
    [
      'Mon 83.2 Tue 38.2 Wed 82.9 Thu 83.0',
      [['far-off', 'Tue 38.2']],
      ['11-16 83.2', '11-18 82.9', '11-19 83.0'],
    ],
    ['Feb 30 83.2', [['day', 'Feb 30 83.2']], []],
    ['2026-12-24 83.2', [['day', '2026-12-24 83.2']], []],
    ['Dec 24 83.2', [['day', 'Dec 24 83.2']], []],
    ['Mon 8.32', [['unknown-number', '8.32']], []],
    ['avg this week 83.0', [['which-day', '83.0']], []],
  ])('%j asks, and counts nothing that is open', (message, questions, sure) => {
    expect(asked(message)).toEqual(questions)
    expect(weights(message)).toEqual(sure)
  })

  test('a question says what may have been meant', () => {
    const [question] = read('Mon 83.2 / 82.9').questions
    expect(question!.options).toMatchObject([
      { weight: { date: '2026-11-23', kg: 83.2, typed: '83.2' } },
      { weight: { date: '2026-11-23', kg: 82.9, typed: '82.9' } },
    ])
  })
})

describe('the girths of a message', () => {
  test.each([
    ['waist 32 1/2, hips 38', {}, ['waist 82.5', 'hip 96.5']],
    ['waist 84.5 / 84,0', {}, ['waist 84.5', 'waist 84.0']],
    ['32 1/2 waist, 38 hips and 183 lbs', {}, ['waist 82.5', 'hip 96.5']],
    ['83.2 today waist 33½”', {}, ['waist 85.1']],
    ['Waist was 33 and a half', AMERICAN, ['waist 85.1']],
    ['waist is 32 and 3/4 inches', {}, ['waist 83.2']],
    ['waist at the navel 33 1/4"', {}, ['abdomen 84.5']],
    ['waist 33', { asked: ['abdomen', 'hip'] as const }, ['abdomen 83.8']],
    ['waist 33', { asked: ['abdomen', 'waist'] as const }, ['waist 83.8']],
    [
      'thigh 56 cm, arm 34, neck 38',
      {},
      ['thigh_girth 56.0', 'upper_arm_relaxed 34.0', 'neck 38.0'],
    ],
  ])('%j with %j', (message, hints, expected) => {
    expect(girths(message, hints)).toEqual(expected)
    expect(asked(message, hints)).toEqual([])
  })

  test('two that are apart, or of two sides, are asked about', () => {
    expect(asked('waist 84 or maybe 88')).toEqual([['which-girth', '84, 88']])
    expect(asked('left thigh 56, right thigh 57')).toEqual([['which-girth', '56, 57']])
    expect(girths('left thigh 56, right thigh 57')).toEqual([])
  })
})

test('what else it says is the note, without what was read', () => {
  const message = `Hi coach!\nMon 83.2, Tue 82.9 (after pizza), waist 84\nslept badly & ate out`
  expect(read(message).note).toBe('Tue (after pizza). slept badly, ate out')
  expect(read('Mon 83.2, Tue 82.9').note).toBe('')
})

test('whatever is written, every number of it is read, asked about or in the note', () => {
  const random = randomLcg(0.5)
  const pieces = [
    ...[
      'Mon',
      'Tue',
      'yesterday',
      'today',
      '7am',
      '83.2',
      '82,9',
      '183.4 lbs',
      '13st 2',
      '38',
      '1/2',
    ],
    ...[
      'waist',
      'hips',
      'slept 6 hours',
      'and',
      ',',
      '.',
      '\n',
      '/',
      '555 0182',
      'goal 80',
      '12%',
      '(',
      ')',
    ],
  ]
  for (let i = 0; i < 1500; i++) {
    const count = 1 + Math.floor(random() * 12)
    const text = Array.from(
      { length: count },
      () => pieces[Math.floor(random() * pieces.length)]!,
    ).join(' ')
    if (text.trim() === '') continue
    const found = read(text)
    for (const { kg, typed } of found.weights) {
      expect(kg, text).toBeGreaterThan(25)
      expect(text).toContain(typed)
    }
    for (const { girth } of found.girths) expect(GIRTH_IDS).toContain(girth)
    const dates = found.weights.map(({ date }) => date)
    expect(new Set(dates).size, text).toBe(dates.length)
    expect(
      dates.every((date) => date <= today),
      text,
    ).toBe(true)
    const said = [
      ...[found.note, ...found.weights.map(({ typed }) => typed)],
      ...[...found.girths.map(({ typed }) => typed), ...found.questions.map((q) => q.text)],
    ].join(' ')
    // Where a morning's and an evening's mass stand side by side, the morning's counts.
    for (const number of ['183.4 lbs', '555 0182', '13st 2']) {
      if (text.includes(number) && !text.includes('7am')) expect(said, text).toContain(number)
    }
  }
  // A busy machine takes some seconds over it.
})

test.each(['', ' \n ', 'Mon 83.2 '.repeat(3000)])(
  'a message that is none is refused',
  (message) => {
    expect(() => read(message)).toThrow(InputError)
  },
)

test('a long message is read at once', () => {
  const long = `${'9'.repeat(5000)} ${' '.repeat(5000)} ${'waist '.repeat(1500)}`
  const began = performance.now()
  read(long)
  expect(performance.now() - began).toBeLessThan(3000)
})
