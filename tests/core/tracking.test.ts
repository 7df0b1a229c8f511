import { tell, told } from '../support/words'
import { randomLcg, randomNormal } from 'd3-random'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  type InputError,
  addDays,
  bandsOf,
  basisOf,
  massOfWeek,
  massTrend,
  oddDays,
  parseWeighIns,
  rank,
  readDate,
  seriesBy,
  showsComposition,
  theilSen,
  weeklyAverages,
  type CheckInRecord,
  type Measured,
} from '#core'
import { fold, thrownBy } from './support'

describe('the slope of Theil and Sen', () => {
  test('turned upside down has its interval upside down', () => {
    const random = randomNormal.source(randomLcg(0.77))(0, 1)
    for (let n = 4; n <= 30; n++) {
      const points = Array.from({ length: n }, (_, x) => ({ x, y: 0.3 * x + random() }))
      const up = theilSen(points)!.interval!
      const down = theilSen(points.map(({ x, y }) => ({ x, y: -y })))!.interval!
      expect([-down[1], -down[0]], `${n} points`).toEqual(up)
    }
  })

  // Worked example of Sen PK, J Am Stat Assoc 1968;63:1379-1389, slope 4 (from memory).
  const sen = [
    [1, 9],
    [2, 15],
    [3, 19],
    [4, 20],
    [10, 45],
    [12, 55],
    [18, 78],
  ].map(([x, y]) => ({ x: x!, y: y! }))

  test('of the worked example', () => {
    expect(theilSen(sen)!.slope).toBeCloseTo(4, 9)
    const [low, high] = theilSen(sen, 0.93)!.interval!
    expect(low).toBeGreaterThan(3.5)
    expect(high).toBeLessThan(4.5)
  })

  test('one wild point does not turn it, and too few give no interval', () => {
    const line = Array.from({ length: 15 }, (_, x) => ({ x, y: 80 - 0.3 * x }))
    const wild = line.map((p, i) => (i === 7 ? { ...p, y: 40 } : p))
    expect(theilSen(wild)!.slope).toBeCloseTo(-0.3, 9)
    expect(theilSen(line.slice(0, 3))!.interval).toBeNull()
    expect(theilSen([{ x: 1, y: 2 }])).toBeUndefined()
  })

  test('its 95 % interval holds the true slope 93 to 97 times in 100', () => {
    const normal = randomNormal.source(randomLcg(0.19))(0, 0.6)
    let held = 0
    for (let run = 0; run < 2000; run++) {
      const points = Array.from({ length: 20 }, (_, x) => ({ x, y: 70 - 0.1 * x + normal() }))
      const [low, high] = theilSen(points)!.interval!
      if (low <= -0.1 && high >= -0.1) held++
    }
    expect(held / 2000).toBeGreaterThan(0.93)
    expect(held / 2000).toBeLessThan(0.975)
  })
})

describe('weigh-ins as people write them', () => {
  const last = '2026-03-15' // A Sunday.
  const kg = (text: string, unit: 'kg' | 'lb' = 'kg') =>
    parseWeighIns(text, last, unit).map((w) => [w.date.slice(5), Number(w.kg.toFixed(2))])

  test.each([
    ['62.4 62.1 62.8', [62.4, 62.1, 62.8]],
    ['62,4; 62,1; 62,8', [62.4, 62.1, 62.8]],
    ['62.4, 62.1, 62.8', [62.4, 62.1, 62.8]],
    ['62,4\n62,1 kg\n62,8', [62.4, 62.1, 62.8]],
  ])('%s: the last is of today, the others of the days before', (text, wanted) => {
    expect(kg(text)).toEqual(wanted.map((m, i) => [['03-13', '03-14', '03-15'][i], m]))
  })

  test('a dash is a day without', () => {
    expect(kg('62.4 - 62.8')).toEqual([
      ['03-13', 62.4],
      ['03-15', 62.8],
    ])
  })

  test.each([
    '2026-03-12 62.4\n2026-03-13\t62.1',
    '12.3. 62,4\n13.3.2026: 62,1',
    '12/3 62.4\n13/3 62.1',
    '12 Mar 62.4\nMar 13, 62.1',
    'Thu 62.4\nFriday: 62.1',
    'Thu 62.4, Fri 62.1 kg',
    '2026-03-12 62.4 2026-03-13 62.1',
  ])('with days: %j', (text) => {
    expect(kg(text)).toEqual([
      ['03-12', 62.4],
      ['03-13', 62.1],
    ])
  })

  test.each([
    // Months first, as the strokes of a 13th or later say, or as the days lie closer together.
    ['3/12 62.4\n3/13 62.1', ['03-12', '03-13']],
    ['3/8 62.4\n3/9 62.1\n3/10 62.2', ['03-08', '03-09', '03-10']],
    ['3/12/26 62.4\n3/13/2026 62.1', ['03-12', '03-13']],
    // Days first.
    ['8/3 62.4\n9/3 62.1\n10/3 62.2', ['03-08', '03-09', '03-10']],
    ['12.3.26 62.4\n13/3/26 62.1', ['03-12', '03-13']],
    // One day alone says nothing of the order: the day comes first.
    ['4/3 62.4', ['03-04']],
  ])('of two figures between strokes the order is the one that makes sense: %j', (text, wanted) => {
    expect(kg(text).map(([day]) => day)).toEqual(wanted)
    expect(parseWeighIns(text, last, 'kg').every(({ date }) => date.startsWith('2026-'))).toBe(true)
  })

  test('every way of writing a day comes back as that day', () => {
    const months = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ')
    const ways = [
      (y: string, m: number, d: number) => `${y}-${m}-${d}`,
      (y: string, m: number, d: number) => `${d}.${m}.${y}`,
      (y: string, m: number, d: number) => `${d}.${m}.${y.slice(2)}`,
      (y: string, m: number, d: number) => `${d} ${months[m - 1]} ${y}`,
      (y: string, m: number, d: number) => `${months[m - 1]} ${d}, ${y}`,
      (y: string, m: number, d: number) => `${d}/${m}/${y}`,
      (_y: string, m: number, d: number) => `${d} ${months[m - 1]}`,
      (_y: string, m: number, d: number) => `${d}.${m}.`,
    ]
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 360 }), fc.constantFrom(...ways), (ago, write) => {
        const day = addDays(last, -ago)
        const [y, m, d] = day.split('-')
        expect(readDate(write(y!, Number(m), Number(d)), last)).toBe(day)
      }),
    )
    for (const no of ['', 'soon', '31.2.2026', '14.13.', '0/0', '2026-02-30', '62.4']) {
      expect(readDate(no, last)).toBeUndefined()
    }
  })

  test('pounds and stones are read as such', () => {
    expect(kg('137.2', 'lb')).toEqual([['03-15', 62.23]])
    expect(kg('2026-03-15 62.4')).toEqual([['03-15', 62.4]])
    expect(kg('9 st 11 lb', 'lb')).toEqual([['03-15', 62.14]])
  })

  test('runs of blanks and signs are as one, and take no longer for their length', () => {
    const close = '62.4 62.1, 61.9;61.5 62,25'
    const wide = close.replace(/[ ;]/g, (sign) => sign + ' '.repeat(300))
    expect(kg(wide)).toEqual(kg(close))
    // As long as the form takes. Looked at from each of its places, every one of these took seconds; all of them
    // together would take longer than a test may.
    for (let i = 0; i < 40; i++) {
      for (const long of [
        `62${' '.repeat(19_990)}y`,
        `62${','.repeat(19_990)}y`,
        `62${' ,'.repeat(9_990)}y`,
        `mon${';'.repeat(19_990)}y`,
        `62${'\u00a0'.repeat(19_990)}y`,
      ])
        expect((thrownBy(() => parseWeighIns(long, last, 'kg')) as Error).name).toBe('InputError')
    }
  })

  test.each([
    ['', /one weight a day as .* without\.$/],
    ['62.4 heavy', /Got “62.4 heavy”/],
    ['2026-03-12 62.4\n62.1', /Got “62.1”/],
    ['12.3. 62.4\n12.3. 62.5', /twice/],
    ['2026-03-20 62.4', /Got “2026-03-20”/],
    ['500', /Got “500”/],
  ])('%j is refused with words', (text, words) => {
    const error = thrownBy(() => parseWeighIns(text, last, 'kg')) as InputError
    expect(tell(error.said)).toMatch(words)
    expect(tell(error.said)).toMatch(/enter one weight a day/)
  })

  test('whatever is typed comes back, in kilograms or pounds', () => {
    const masses = fc.array(fc.integer({ min: 450, max: 1200 }), { minLength: 2, maxLength: 14 })
    fc.assert(
      fc.property(masses, fc.constantFrom(' ', '; ', '\n', ', '), (tenths, between) => {
        const text = tenths.map((t) => (t / 10).toFixed(1)).join(between)
        expect(parseWeighIns(text, last, 'kg').map((w) => Math.round(w.kg * 10))).toEqual(tenths)
      }),
    )
  })
})

describe('a week of mass', () => {
  const days = (masses: (number | null)[], from = '2026-03-02') =>
    masses.flatMap((kg, i) => (kg === null ? [] : [{ date: addDays(from, i), kg }]))

  test('says how many days it stands on and which are missing', () => {
    const [week, ...more] = weeklyAverages(days([62, 62.6, null, 62.2, 62.4, null, 62.3]))
    expect(more).toEqual([])
    expect(week).toMatchObject({ from: '2026-03-02', to: '2026-03-08', days: 5 })
    expect(week!.kg).toBeCloseTo(62.3, 9)
    expect(week!.missing).toEqual(['2026-03-04', '2026-03-07'])
  })

  test('the seven days that end on a check-in, its own weighing among them', () => {
    const week = massOfWeek(days([62, 62.6]), '2026-03-04', 61.9)!
    expect(week).toMatchObject({ from: '2026-02-26', days: 3 })
    expect(week.kg).toBeCloseTo((62 + 62.6 + 61.9) / 3, 9)
    expect(massOfWeek(days([62]), '2026-03-02', 70)!.kg).toBe(62)
    expect(massOfWeek([], '2026-03-02')).toBeUndefined()
  })

  test('seven daily weights are one week, whatever day they end on', () => {
    for (let start = 0; start < 7; start++) {
      const seven = days([62, 62.6, 62.4, 62.2, 62.4, 62.1, 62.3], addDays('2026-03-02', start))
      const weeks = weeklyAverages(seven)
      expect(weeks).toHaveLength(1)
      expect(weeks[0]).toMatchObject({ days: 7, missing: [], to: seven.at(-1)!.date })
    }
    // Chosen to end on Friday: the days from Saturday on belong to the next week.
    const chosen = weeklyAverages(days([62, 62.6, 62.4, 62.2, 62.4, 62.1, 62.3]), 4)
    expect(chosen.map(({ to, days: count }) => [to, count])).toEqual([
      ['2026-03-06', 5],
      ['2026-03-13', 2],
    ])
  })

  test('0.4 kg is not odd; a kilogram and a half is, and in a week that swings more it is not', () => {
    const line = Array.from({ length: 28 }, (_, i) => 70 - 0.1 * i)
    const oddAt = (off: number) =>
      oddDays(days(line.map((kg, i) => (i === 12 ? kg + off : kg)))).map(({ off: by }) => by)
    // The usual swing from day to day (common practice, no source).
    expect(oddAt(0.4)).toEqual([])
    expect(oddAt(-0.4)).toEqual([])
    expect(oddAt(-1.5)).toEqual([expect.closeTo(-1.5, 9)])
    // The third week, whose days go up and down by a kilogram, is judged by its own scatter.
    const restless = line.map((kg, i) => (i >= 14 && i < 21 ? kg + (i % 2 ? 1 : -1) : kg))
    expect(oddDays(days(restless))).toEqual([])
  })

  test('an odd day is pointed out against the trend, and the trend stays', () => {
    const normal = randomNormal.source(randomLcg(0.3))(0, 0.2)
    const month = days(Array.from({ length: 28 }, (_, i) => 70 - 0.05 * i + normal()))
    expect(oddDays(month)).toEqual([])
    const odd = month.map((w, i) => (i === 12 ? { ...w, kg: w.kg + 3 } : w))
    expect(oddDays(odd).map(({ date }) => date)).toEqual([month[12]!.date])
    expect(oddDays(odd)[0]!.off).toBeGreaterThan(2.2)
    expect(massTrend(odd)!.slope).toBeCloseTo(-0.35, 1)
  })
})

describe('a board', () => {
  const entry = (id: string, change: number, sd = 0.5) => ({ id, change, sd })
  const places = (...args: Parameters<typeof rank>) =>
    rank(...args).map(({ entry: { id }, place, tie }) => `${place}${tie ? '=' : ''} ${id}`)

  test('ties all whose difference from the first is not clear', () => {
    expect(
      places([entry('a', -1), entry('b', -4), entry('c', -3.2), entry('d', 0.5)], 'fatMass'),
    ).toEqual(['1= b', '1= c', '3= a', '3= d'])
  })

  test('who shares a place is told what lies between them, and from what on it would be clear', () => {
    const [b, c, a] = rank([entry('a', -1), entry('b', -4), entry('c', -3.2)], 'bodyMass')
    // 2.58 standard errors of a difference of two that err by 0.5 each.
    const clearFrom = expect.closeTo(2.58 * Math.hypot(0.5, 0.5), 9)
    expect([b!.tie, c!.tie, a!.tie]).toEqual([
      { count: 2, spread: expect.closeTo(0.8, 9), clearFrom },
      { count: 2, spread: expect.closeTo(0.8, 9), clearFrom },
      null,
    ])
    // Whoever shares a place lies less apart from its first than would be clear.
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -9, max: 9, noNaN: true }), { maxLength: 12 }),
        (all) => {
          const placed = rank(
            all.map((change, i) => entry(`${i}`, change)),
            'waist',
          )
          for (const { tie } of placed)
            if (tie) expect(tie.spread).toBeLessThanOrEqual(tie.clearFrom)
        },
      ),
    )
  })

  test('the net swing ranks by gain', () => {
    expect(places([entry('a', 1), entry('b', 6)], 'recomposition')).toEqual(['1 b', '2 a'])
  })

  test('everybody is placed once, whatever the errors', () => {
    const entries = fc.array(
      fc.record({
        id: fc.uuid(),
        change: fc.double({ min: -9, max: 9, noNaN: true }),
        sd: fc.double({ min: 0.1, max: 4, noNaN: true }),
      }),
    )
    fc.assert(
      fc.property(entries, (all) => {
        const placed = rank(all, 'sum')
        expect(placed).toHaveLength(all.length)
        expect(new Set(placed.map(({ entry: e }) => e))).toEqual(new Set(all))
        expect(placed.every(({ place }, i) => place <= i + 1)).toBe(true)
      }),
    )
  })

  test('only the sum is no composition', () => {
    expect(showsComposition('sum')).toBe(false)
    expect(showsComposition('recomposition') && showsComposition('fatMass')).toBe(true)
  })
})

describe('like for like', () => {
  const man = { sex: 'male', birthDate: '1986-05-04', heightCm: 180 } as const
  const record = (protocolId: string, sites: Record<string, number>): CheckInRecord => ({
    ...{ protocolId, conversion: 'siri', measuredOn: '2026-01-10' },
    readings: Object.entries(sites).map(([site, value]) =>
      fold(site as 'chest', 1, value, protocolId === 'eight-fold-int' ? { standard: 'int' } : {}),
    ),
  })
  const three = { chest: 10, abdominal: 20, thigh: 12 }
  const seven = { ...three, midaxillary: 11, triceps: 9, subscapular: 12, suprailiac: 14 }

  test('older sets are computed by the newest equation where their sites allow', () => {
    const newest = record('three-fold', three)
    const [old, gap] = seriesBy(
      man,
      [record('seven-fold', seven), record('eight-fold-int', { abdominal: 20, triceps: 9 })],
      newest,
    )
    expect(old!.estimate!.equationId).toBe('jackson-pollock-3')
    expect(told(gap!.estimate)).toBeNull()
    expect(told(gap!.gap)).toMatch(
      /located by another landmark standard, or taken in another way: abdominal/,
    )
    expect(told(seriesBy(man, [newest], record('seven-fold', seven))[0]!.gap)).toBe(
      'not taken: midaxillary, triceps, subscapular, suprailiac',
    )
  })

  test('another tester or caliper widens the band by half', () => {
    const measured: Measured = { ...record('seven-fold', seven), setup: { skill: 'trained' } }
    const basis = basisOf(man, measured)
    const plain = bandsOf(man, measured, basis).sum!
    const other = bandsOf(man, { ...measured, testerId: 'another' }, basis, measured).sum!
    expect(other.halfWidth / plain.halfWidth).toBeCloseTo(1.5, 9)
    expect(bandsOf(man, measured, basis).fatMass).toBeUndefined()
  })
})
