import { onBeforeUnmount, ref, watch, type Ref } from 'vue'

/** Typing is painted at once; what follows from it begins when the hand rests. */
const REST_MS = 400

/** Fields in which something was typed that is not taken yet; one hand types, so they wait together. */
const waiting = new Set<() => void>()
let rest: ReturnType<typeof setTimeout> | undefined

/** Takes at once what was typed and waits. */
export function settleTyping(): void {
  clearTimeout(rest)
  for (const take of waiting) take()
  waiting.clear()
}

/** The hand is at work: what was typed waits on. */
function stir() {
  if (waiting.size === 0) return
  clearTimeout(rest)
  rest = setTimeout(settleTyping, REST_MS)
}

/**
 * The text of a field by itself: nothing else of the page hears of a key until the hand rests, so that each is painted
 * at once however much hangs on it.
 *
 * @param model what the page has of the text
 */
export function useResting(model: Ref<string>) {
  const text = ref(model.value)
  const take = () => void (model.value = text.value)
  function type(next: string) {
    text.value = next
    waiting.add(take)
    stir()
  }
  watch(model, (now) => {
    if (!waiting.has(take)) text.value = now
  })
  onBeforeUnmount(() => waiting.delete(take))
  return { text, type, stir }
}
