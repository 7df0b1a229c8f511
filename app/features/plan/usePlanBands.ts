import type { BandOfWeek } from '#core'
import type { PlanAnswer, PlanQuestion } from '~/workers/plan'

export const PATHS = 10_000

/**
 * The Monte Carlo band of a plan, from a worker: shown as it comes, stopped on request, and never in the way of the
 * screen.
 *
 * @param question undefined while there is nothing to ask
 */
export function usePlanBands(question: Ref<Omit<PlanQuestion, 'id' | 'paths'> | undefined>) {
  const bands = shallowRef<BandOfWeek[]>()
  const progress = ref<number>()
  let worker: Worker | undefined
  let asked = 0

  function ask() {
    bands.value = undefined
    progress.value = undefined
    if (!worker || !question.value) return worker?.postMessage({ id: 0 })
    progress.value = 0
    const plain = JSON.parse(JSON.stringify(question.value)) as object
    worker.postMessage({ ...plain, id: ++asked, paths: PATHS })
  }
  function cancel() {
    worker?.postMessage({ id: 0 })
    progress.value = undefined
  }
  onMounted(() => {
    worker = new Worker(new URL('../../workers/plan.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
      if (data.id !== asked) return
      if ('progress' in data) progress.value = data.progress
      else {
        bands.value = data.bands
        progress.value = undefined
      }
    }
    ask()
    // Typing a number asks anew with every key: by content, so that the same question is not asked twice. Watched from
    // here on, so that the page has time to work out its parts before.
    watch(() => JSON.stringify(question.value), ask)
  })
  onBeforeUnmount(() => worker?.terminate())
  return { bands, progress, cancel, again: ask }
}
