import { describe, expect, test } from 'vitest'
import { measureWorld, WORLDS, type FiguresMeasured, type WorldName } from '../core/worlds'

/*
 * What the model promises, on few people of a fixed seed: `npm run simulate` measures the same on many. A limit on a
 * share is widened by two standard errors of so few.
 */
const PEOPLE = 36

interface Limits {
  most: Partial<Record<keyof FiguresMeasured, number>>
  least: Partial<Record<keyof FiguresMeasured, number>>
}
const SHARES = /^(false|noChange|headline|lean|creep|steady|fast)/
const EVERYWHERE: Limits = {
  most: {
    ...{ falseFat: 6, falseLean: 6, weeksHalf: 9, weeksQuarter: 16, weeksSlow: 24 },
    ...{ halfFirst: 1.8, halfLast: 0.9, creepNoChange: 5, steadyTooFast: 3 },
  },
  least: { leastFat: 88, leastLean: 88, leastMass: 88, fastTold: 75, noChange: 80 },
}
const OWN: Partial<Record<WorldName, Partial<Limits>>> = {
  ideal: {
    least: {
      ...{
        leastFat: 92,
        leastLean: 92,
        leastMass: 92,
        headlineNoChange: 80,
        lean2: 10,
        lean3: 60,
        lean4: 92,
      },
      ...{ lean2Daily: 60, lean3Daily: 95, lean4Daily: 99, creepClear: 91 },
    },
  },
  testers: { most: { weeksHalf: 11, weeksQuarter: 17 } },
  water: { most: { falseLean: 12 }, least: { leastLean: 75, leastMass: 75 } },
  all: { most: { falseFat: 10 }, least: { leastLean: 75, leastMass: 75 } },
}

describe.each(Object.keys(WORLDS) as WorldName[])('in the world “%s”', (name) => {
  test('false alarms, weeks, widths, coverage and power', () => {
    const measured = measureWorld(name, PEOPLE)
    const slack = (id: string, limit: number) => {
      if (SHARES.test(id)) return 2 * Math.sqrt((limit * (100 - limit)) / PEOPLE)
      // The looks at one person are alike: an interval that misses does so often.
      return { least: 3, half: 0.05 }[/^least|^half/.exec(id)?.[0] ?? ''] ?? 0
    }
    for (const [id, most] of Object.entries({ ...EVERYWHERE.most, ...OWN[name]?.most })) {
      expect(measured[id as keyof FiguresMeasured], id).toBeLessThanOrEqual(most + slack(id, most))
    }
    for (const [id, least] of Object.entries({ ...EVERYWHERE.least, ...OWN[name]?.least })) {
      expect(measured[id as keyof FiguresMeasured], id).toBeGreaterThanOrEqual(
        least - slack(id, least),
      )
    }
  })
})
