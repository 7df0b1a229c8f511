import { useElementSize } from '@vueuse/core'
import type { EChartsCoreOption } from 'echarts/core'
import type { Picture, PictureWanted } from '~/workers/chart'

let worker: Worker | undefined
let asked = 0
const waiting = new Map<number, (picture: ImageBitmap) => void>()

function theWorker(): Worker {
  if (worker) return worker
  worker = new Worker(new URL('../../workers/chart.ts', import.meta.url), { type: 'module' })
  worker.onmessage = ({ data }: MessageEvent<Picture>) => {
    waiting.get(data.id)?.(data.picture)
    waiting.delete(data.id)
  }
  return worker
}

function draw(wanted: Omit<PictureWanted, 'id'>): Promise<ImageBitmap> {
  const id = ++asked
  return new Promise((resolve) => {
    waiting.set(id, resolve)
    theWorker().postMessage({ ...wanted, id } satisfies PictureWanted)
  })
}

/**
 * Keeps a chart drawn on a canvas by a worker, anew whenever the chart or the size of its box changes.
 *
 * @param at where the box begins in what it scrolls with, px
 * @returns the shift of the picture, px: it stays on what it was drawn for until the next one comes
 */
export function useChartPicture(
  box: Readonly<Ref<HTMLElement | null>>,
  canvas: Readonly<Ref<HTMLCanvasElement | null>>,
  option: () => EChartsCoreOption,
  at: () => number,
) {
  const drawnAt = ref(0)
  const drawn = ref(false)
  const { width, height } = useElementSize(box)
  let wanted = 0

  async function redraw() {
    const turn = ++wanted
    if (!width.value || !height.value || !canvas.value) return
    const place = at()
    const picture = await draw({
      // As text, since what is reactive cannot be sent, and functions are of no use to a picture.
      option: JSON.parse(JSON.stringify(option())) as EChartsCoreOption,
      width: width.value,
      height: height.value,
      ratio: window.devicePixelRatio,
    })
    // A newer one is under way, or nobody looks any more.
    if (turn !== wanted || !canvas.value) return picture.close()
    canvas.value.width = picture.width
    canvas.value.height = picture.height
    canvas.value.getContext('2d')!.drawImage(picture, 0, 0)
    picture.close()
    drawnAt.value = place
    drawn.value = true
  }
  watch([option, width, height, canvas], redraw)
  return { drawn, shift: computed(() => drawnAt.value - at()) }
}
