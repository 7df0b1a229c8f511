import {
  equationById,
  fixed,
  lookUpChart,
  nameOf,
  say,
  variantFor,
  type Conversion,
  type Sex,
  CONVERSIONS,
} from '#core'
import { pointed } from '#shared/words/formats'
import { FADED, head, small, table, type Paper, type Part } from './paper'

/* Fat by the sum of folds and the age, to hang beside the caliper. */

/** @throws InputError where an equation cannot be printed by sum and age */
export function sumByAgePage(
  { equation: equationId, sex, conversion }: { equation: string; sex: Sex; conversion: Conversion },
  paper: Paper,
): Part[] {
  const { told, language } = paper
  const chart = lookUpChart(equationId, sex, conversion)
  const { name } = equationById(equationId)
  const { folds, citation } = variantFor(equationById(equationId), sex)
  const tenth = (value: number | null) =>
    value === null ? '–' : pointed(language, fixed(value, 1))
  return [
    head(told(name), 1),
    {
      text: told(
        sex === 'female'
          ? say('reports.chartWomen', { folds: folds.map((fold) => told(nameOf(fold))).join(', ') })
          : say('reports.chartMen', { folds: folds.map((fold) => told(nameOf(fold))).join(', ') }),
      ),
      color: FADED,
    },
    table(
      [told(say('reports.sumMm')), ...chart.ages.map(String)],
      chart.rows.map(({ sumMm, fatPercent }) => [fixed(sumMm, 0), ...fatPercent.map(tenth)]),
      { words: 0 },
    ),
    small(
      [
        told(say('reports.chartAge')),
        told(say('reports.byConversion', { conversion: CONVERSIONS[conversion].name })),
        told(say('reports.source', { source: citation })),
      ].join(' '),
    ),
  ]
}
