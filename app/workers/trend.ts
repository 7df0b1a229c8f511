import { theilSen, type Point, type Trend } from '#core'

export interface TrendAnswer {
  id: number
  trend: Trend | undefined
}

/* Every pair of points has a slope: five years of weigh-ins are a million and more, too many for a frame. */
self.onmessage = ({ data }: MessageEvent<{ id: number; points: Point[] }>) => {
  self.postMessage({ id: data.id, trend: theilSen(data.points) } satisfies TrendAnswer)
}
