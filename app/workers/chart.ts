/** Draws a chart as a picture, so that the page is not kept busy by it. */
import figures from '@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff2?url'
import { init, setPlatformAPI, type EChartsCoreOption } from 'echarts/core'
import { useChartParts } from '../ui/charts/chart-parts'
import { FIGURES } from '../ui/charts/chart-style'

export interface PictureWanted {
  id: number
  /** Without functions, which cannot be sent. */
  option: EChartsCoreOption
  /** CSS pixels. */
  width: number
  height: number
  /** Pixels of the screen for one of CSS. */
  ratio: number
}
export interface Picture {
  id: number
  picture: ImageBitmap
}

useChartParts()
// Words are as wide as they are drawn, and not as wide as is usual.
setPlatformAPI({
  createCanvas: () => new OffscreenCanvas(1, 1) as unknown as HTMLCanvasElement,
})

/** The page's letters; without them in a browser that has none for workers, or when they do not come. */
async function loadFigures(): Promise<void> {
  const { fonts } = self as unknown as { fonts?: FontFaceSet }
  if (!fonts) return
  const face = new FontFace(FIGURES, `url(${figures})`, { weight: '600' })
  fonts.add(await face.load())
}
const letters = loadFigures().catch(() => {})

self.onmessage = async ({ data }: MessageEvent<PictureWanted>) => {
  await letters
  const { id, option, width, height, ratio } = data
  const canvas = new OffscreenCanvas(width * ratio, height * ratio)
  const chart = init(canvas as unknown as HTMLCanvasElement, null, {
    width,
    height,
    devicePixelRatio: ratio,
  })
  chart.setOption(option)
  chart.getZr().flush()
  const picture = canvas.transferToImageBitmap()
  chart.dispose()
  self.postMessage({ id, picture } satisfies Picture, { transfer: [picture] })
}
