import { useLocalStorage } from '@vueuse/core'

/** What stands in a field and is not entered yet, and the box that it was typed for. */
interface HalfTyped {
  text: string
  box: string
}

/** Where the browser keeps what is half typed in a check-in. */
const keyOf = (checkInId: string) => `oak-pinch-typed-${checkInId}`

/**
 * Keeps the text of a field of the check-in on the screen in the browser while it is being typed: a reload, or a phone
 * that ran out of power, loses no digit. What is entered or emptied is kept no longer.
 *
 * @param field names the field
 * @param box which box the field stands for now, so that a text never comes back in another one
 * @param reopen goes to the box of a text that was kept, where that is another one than now
 * @returns whether it could
 */
export function useHalfTyped(
  field: string,
  text: Ref<string>,
  box: () => string = () => '',
  reopen: (box: string) => boolean = () => false,
): void {
  const { checkIn } = storeToRefs(useCheckInStore())
  const kept = useLocalStorage<Record<string, HalfTyped> | null>(keyOf(checkIn.value!.id), null, {
    ...{ serializer: { read: JSON.parse, write: JSON.stringify } },
  })
  const before = kept.value?.[field]
  if (before && (before.box === box() || reopen(before.box))) text.value = before.text
  const { id } = checkIn.value!
  function keep(now: string, where: string): void {
    const { [field]: _, ...others } = kept.value ?? {}
    const all = now === '' ? others : { ...others, [field]: { text: now, box: where } }
    // Nothing is left behind in the browser of a check-in that is entered.
    kept.value = Object.keys(all).length > 0 ? all : null
  }
  watch([text, box], ([now, where]) => keep(now, where))
  // The last text of a stage is entered and the stage is gone in the same breath: no watcher sees it any more.
  onBeforeUnmount(() => {
    if (text.value === '') forgetField(id, field)
  })
}

function forgetField(checkInId: string, field: string): void {
  try {
    const name = keyOf(checkInId)
    const { [field]: _, ...others } = JSON.parse(localStorage.getItem(name) ?? '{}') as object &
      Record<string, unknown>
    if (Object.keys(others).length > 0) localStorage.setItem(name, JSON.stringify(others))
    else localStorage.removeItem(name)
  } catch {
    // A browser that keeps nothing has nothing to forget.
  }
}

/** Forgets what was half typed in a check-in that is closed or thrown away. */
export function forgetHalfTyped(checkInId: string): void {
  try {
    localStorage.removeItem(keyOf(checkInId))
  } catch {
    // A browser that keeps nothing has nothing to forget.
  }
}
