import type { Point, Trend } from '#core'
import type { TrendAnswer } from '~/workers/trend'

/** The robust slope of points with its interval, drawn in a worker. The last question asked is the one answered. */
export function useTrend(points: Ref<readonly Point[]>) {
  const trend = shallowRef<Trend>()
  let worker: Worker | undefined
  let asked = 0

  function ask() {
    trend.value = undefined
    worker?.postMessage({ id: ++asked, points: points.value.map(({ x, y }) => ({ x, y })) })
  }
  onMounted(() => {
    worker = new Worker(new URL('../../workers/trend.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<TrendAnswer>) => {
      if (data.id === asked) trend.value = data.trend
    }
    ask()
  })
  watch(points, ask)
  onBeforeUnmount(() => worker?.terminate())
  return trend
}
