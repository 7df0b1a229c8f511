import { told } from '../support/words'
import { describe, expect, test } from 'vitest'
import {
  CHART_CLASSES,
  classedChart,
  classify,
  EQUATIONS,
  fatPercentile,
  isChartable,
  lookUpChart,
  NORM_TABLES,
  type Sex,
} from '#core'

const [three, five] = CHART_CLASSES
const SEXES: Sex[] = ['male', 'female']
const CHARTS = EQUATIONS.flatMap(({ id }) =>
  SEXES.filter((sex) => isChartable(id, sex)).map((sex) => [id, sex] as const),
)

describe('the classes of a chart', () => {
  test('are those of three steps and of five', () => {
    const chart = lookUpChart('jackson-pollock-7', 'female')
    expect(classedChart(chart, three!).steps).toHaveLength(3)
    expect(told(classedChart(chart, five!).steps)).toEqual([
      ...['far below average', 'below average', 'average', 'above average', 'far above average'],
    ])
  })

  test.each(CHARTS)('of %s for %ss are those of each cell by itself, and never fall', (id, sex) => {
    const chart = lookUpChart(id, sex)
    for (const table of CHART_CLASSES) {
      const { steps, cells } = classedChart(chart, table)
      const before: (number | null)[] = []
      chart.rows.forEach(({ fatPercent }, row) => {
        fatPercent.forEach((fat, i) => {
          const step = cells[row]![i]!
          const alone =
            fat === null ? null : classify(table.id, fat, { sex, ageYears: chart.ages[i] })
          expect(step === null ? undefined : steps[step - 1]).toBe(alone?.band.name)
          if (step !== null) expect(step).toBeGreaterThanOrEqual(before[i] ?? 0)
          before[i] = step ?? before[i] ?? null
        })
      })
    }
  })
})

test('the five steps end where 80, 60, 40 and 20 in 100 of that age have more', () => {
  const table = NORM_TABLES.find(({ id }) => id === 'five-steps-age')!
  for (const sex of SEXES) {
    for (let ageYears = 20; ageYears < 80; ageYears++) {
      const bands = table.bands(sex, ageYears)!
      expect(bands.slice(1).map(({ from }) => fatPercentile(from, { sex, ageYears }))).toEqual([
        ...[80, 60, 40, 20],
      ])
    }
    for (const ageYears of [19, 80, NaN]) expect(table.bands(sex, ageYears)).toBeNull()
  }
})
