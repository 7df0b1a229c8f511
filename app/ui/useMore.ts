import { computed, ref, toValue, type MaybeRefOrGetter } from 'vue'

/** Lines of a long list that are drawn at first, and each time more are asked for. */
const AT_A_TIME = 30

/** A long list, drawn as far as it was asked for. */
export function useMore<T>(list: MaybeRefOrGetter<readonly T[]>) {
  const upTo = ref(AT_A_TIME)
  const shown = computed(() => toValue(list).slice(0, upTo.value))
  const left = computed(() => Math.max(0, toValue(list).length - upTo.value))
  const grow = () => (upTo.value += AT_A_TIME)
  return { shown, left, grow }
}

export type More = Pick<ReturnType<typeof useMore>, 'left' | 'grow'>
