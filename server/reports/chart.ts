import { daysBetween, type IsoDate } from '#core'
import { FADED, LINE } from './paper'

/** A curve with its band. */
export interface PaperCurve {
  name: string
  color: string
  /** Drawn in dashes, so that the two are told apart without colours. */
  dashed?: boolean
  points: { date: IsoDate; value: number; low: number; high: number }[]
}

/**
 * Draws curves as SVG.
 *
 * @param dayText what a day of the axis reads as
 */
export async function drawCurves(
  curves: readonly PaperCurve[],
  { width, height, dayText }: { width: number; height: number; dayText: (date: IsoDate) => string },
): Promise<string> {
  const [{ LineChart }, { GridComponent }, { init, use }, { SVGRenderer }] = await Promise.all([
    import('echarts/charts'),
    import('echarts/components'),
    import('echarts/core'),
    import('echarts/renderers'),
  ])
  use([LineChart, GridComponent, SVGRenderer])
  const chart = init(null, null, { renderer: 'svg', ssr: true, width, height })
  const time = (date: IsoDate) => Date.parse(`${date}T00:00:00Z`)
  const days = curves.flatMap(({ points }) => points.map(({ date }) => date)).sort()
  const [first, last] = [days[0]!, days.at(-1)!]
  const label = { color: FADED, fontFamily: 'Text', fontSize: 9.5 }
  const spans = Math.min(4, Math.max(1, Math.floor(daysBetween(first, last) / 28)))
  chart.setOption({
    animation: false,
    grid: { left: 34, right: 46, top: 10, bottom: 22 },
    xAxis: {
      ...{ type: 'time', min: time(first), max: time(last), splitNumber: spans },
      axisLabel: {
        ...label,
        hideOverlap: true,
        formatter: (at: number) => dayText(new Date(at).toISOString().slice(0, 10)),
      },
      ...{ axisLine: { lineStyle: { color: LINE } }, axisTick: { show: false } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      scale: true,
      axisLabel: {
        ...label,
        formatter: (at: number) => (at > 0 ? `+${at}` : String(at).replace('-', '−')),
      },
      splitLine: { lineStyle: { color: LINE, width: 0.7 } },
    },
    series: curves.flatMap(({ name, color, dashed, points }) => [
      {
        ...{ type: 'line', stack: name, symbol: 'none', silent: true, lineStyle: { opacity: 0 } },
        // What stands on a band's foot may be below nothing.
        stackStrategy: 'all',
        data: points.map(({ date, low }) => [time(date), low]),
      },
      {
        ...{ type: 'line', stack: name, symbol: 'none', silent: true, lineStyle: { opacity: 0 } },
        stackStrategy: 'all',
        areaStyle: { color, opacity: 0.14 },
        data: points.map(({ date, low, high }) => [time(date), high - low]),
      },
      {
        type: 'line',
        symbol: points.length > 16 ? 'none' : 'circle',
        symbolSize: 4,
        itemStyle: { color },
        lineStyle: { color, width: 2.2, type: dashed ? 'dashed' : 'solid' },
        data: points.map(({ date, value }) => [time(date), value]),
        endLabel: {
          show: curves.length > 1,
          formatter: name,
          color,
          fontFamily: 'Text',
          fontWeight: 'bold',
          fontSize: 10.5,
        },
      },
    ]),
  })
  const svg = chart.renderToSVGString()
  chart.dispose()
  // Names within it count up with every chart that was ever drawn: the same curves are the same picture.
  return svg
    .replaceAll(/<style[^]*?<.style>/g, '')
    .replaceAll(/ class="zr\d+-cls-\d+"/g, '')
    .replaceAll(/zr\d+-/g, 'zr-')
}
