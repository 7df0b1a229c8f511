import { onBeforeUnmount, onMounted, ref, shallowRef, watch, type Ref } from 'vue'
import type { BandOfWeek } from '#core'
import type { PlanAnswer, PlanQuestion } from '../../workers/plan'

export const PATHS = 10_000
/** Sooner than this nobody needs to see how far it is. */
const PATIENCE_MS = 300

/**
 * The Monte Carlo band of a plan, from a worker: how far it is is shown where it
 * takes long, it is stopped on request, and never in the way of the screen.
 *
 * @param question undefined while there is nothing to ask
 */
export function usePlanBands(question: Ref<Omit<PlanQuestion, 'id' | 'paths'> | undefined>) {
  const bands = shallowRef<BandOfWeek[]>()
  const progress = ref<number>()
  /** True from the question to its answer. */
  const busy = ref(false)
  let worker: Worker | undefined
  let asked = 0
  let soFar = 0
  let patience: ReturnType<typeof setTimeout> | undefined

  function rest() {
    clearTimeout(patience)
    busy.value = false
    progress.value = undefined
  }
  function ask() {
    rest()
    // Weeks of another plan would be drawn against the days of this one.
    bands.value = undefined
    if (!worker || !question.value) return worker?.postMessage({ id: 0 })
    soFar = 0
    busy.value = true
    patience = setTimeout(() => (progress.value = soFar), PATIENCE_MS)
    const plain = JSON.parse(JSON.stringify(question.value)) as object
    worker.postMessage({ ...plain, id: ++asked, paths: PATHS })
  }
  function cancel() {
    worker?.postMessage({ id: 0 })
    rest()
  }
  onMounted(() => {
    worker = new Worker(new URL('../../workers/plan.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
      if (data.id !== asked) return
      if ('progress' in data) {
        soFar = data.progress
        if (progress.value !== undefined) progress.value = soFar
      } else {
        bands.value = data.bands
        rest()
      }
    }
    ask()
    // By content, so that the same question is not asked twice. Watched from here on, so that the page has time to work
    // out its parts before.
    watch(() => JSON.stringify(question.value), ask)
  })
  onBeforeUnmount(() => {
    clearTimeout(patience)
    worker?.terminate()
  })
  return { bands, progress, busy, cancel, again: ask }
}
