/** The colours of the charts: those of the page, since a canvas reads no style sheet. */
export const INK = '#2A2118'
export const FADED = '#66583F'
export const LINE = '#DACFBA'
export const LEAF = '#2C6349'
export const AMBER = '#8A5A0F'
export const OAK = '#74481F'
export const CHALK = '#F8F5EE'
export const FIGURES = 'Barlow Condensed'

/** Figures of an axis, in the one weight that every page has loaded. */
export const AXIS_LABEL = { color: FADED, fontFamily: FIGURES, fontWeight: 600, fontSize: 14 }

/** Words on a line across the chart. */
export const MARK_LABEL = {
  ...AXIS_LABEL,
  // The page shows around the letters, so that they are read where a curve runs under them.
  textBorderColor: CHALK,
  textBorderWidth: 4,
}

/** The slider under a chart, in the page's own colours. */
export const SLIDER = {
  type: 'slider',
  height: 22,
  bottom: 8,
  brushSelect: false,
  borderColor: LINE,
  fillerColor: 'rgba(116, 72, 31, 0.12)',
  handleStyle: { color: CHALK, borderColor: OAK },
  moveHandleStyle: { color: OAK },
  dataBackground: { lineStyle: { color: FADED }, areaStyle: { color: LINE } },
  selectedDataBackground: { lineStyle: { color: OAK }, areaStyle: { color: LINE } },
  textStyle: { color: FADED },
}

/** Room above and below the curve over the sheet, px. */
export const LEDGER_GRID = { top: 30, bottom: 6 }

export interface AxisBounds {
  min: number
  max: number
  /** From one figure to the next. */
  interval: number
}

/** Round bounds of an axis around values, so that its figures stand at even steps. */
export function roundBounds(low: number, high: number): AxisBounds {
  const span = high - low
  const step = span > 120 ? 50 : span > 50 ? 20 : span > 25 ? 10 : span > 10 ? 5 : span > 4 ? 2 : 1
  return {
    min: Math.floor(low / step) * step,
    max: Math.ceil(high / step) * step,
    interval: step,
  }
}

/**
 * The band around a curve as two stacked areas: nothing up to its lower edge, then its width. Readable without colour,
 * since the line itself differs by dash and symbol.
 */
export function bandSeries(
  name: string,
  color: string,
  points: { x: number | string; low: number; high: number }[],
) {
  const area = (data: unknown[], style: object) => ({
    type: 'line',
    stack: `band ${name}`,
    stackStrategy: 'all',
    data,
    symbol: 'none',
    silent: true,
    lineStyle: { opacity: 0 },
    tooltip: { show: false },
    ...style,
  })
  return [
    area(
      points.map(({ x, low }) => [x, low]),
      {},
    ),
    area(
      points.map(({ x, low, high }) => [x, high - low]),
      { areaStyle: { color, opacity: 0.16 } },
    ),
  ]
}
