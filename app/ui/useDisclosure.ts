import { onClickOutside } from '@vueuse/core'
import { ref, type ShallowRef } from 'vue'

type Element = Readonly<ShallowRef<HTMLElement | null>>

/**
 * Something that a button shows and hides: a press outside of it hides it, and so does `close`, which takes the focus
 * back to the button.
 *
 * @param box holds the button and what it shows
 */
export function useDisclosure(box: Element, button: Element) {
  const open = ref(false)
  onClickOutside(box, () => (open.value = false))
  function close(): void {
    if (!open.value) return
    open.value = false
    button.value?.focus()
  }
  return { open, close }
}
