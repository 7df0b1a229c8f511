import { shallowRef, watch, type Ref, type ShallowRef } from 'vue'
import { breathe } from '../utils/moments'

/**
 * The same a little later: what hangs on it is drawn after what came first, with the browser answering in between.
 *
 * @param turns how often the browser may answer before
 */
export function useLater<T>(source: Ref<T>, turns: number): Readonly<ShallowRef<T>> {
  const later = shallowRef(source.value) as ShallowRef<T>
  watch(source, async (now) => {
    for (let turn = 0; turn < turns; turn++) await breathe()
    if (source.value === now) later.value = now
  })
  return later
}
