import type { SiteId, SiteStep } from '#core'

/** What stands in a field and is not entered yet, and the box that it was typed for. */
interface HalfTyped {
  text: string
  box: string
}
type AllHalfTyped = Record<string, HalfTyped>

/** Where the browser keeps what is half typed in a check-in. */
const keyOf = (checkInId: string) => `oak-pinch-typed-${checkInId}`

/* A browser that keeps nothing has nothing to read and nothing to forget. */
function read(checkInId: string): AllHalfTyped {
  try {
    return JSON.parse(localStorage.getItem(keyOf(checkInId)) ?? '{}') as AllHalfTyped
  } catch {
    return {}
  }
}
/** Nothing is left behind in the browser of a check-in in which nothing is half typed. */
function write(checkInId: string, all: AllHalfTyped): void {
  try {
    if (Object.keys(all).length === 0) localStorage.removeItem(keyOf(checkInId))
    else localStorage.setItem(keyOf(checkInId), JSON.stringify(all))
  } catch {
    // See above.
  }
}

/** Forgets what was half typed in a check-in that is closed or thrown away. */
export const forgetHalfTyped = (checkInId: string): void => write(checkInId, {})

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
  const { id } = useCheckInStore().checkIn!
  const before = read(id)[field]
  if (before && (before.box === box() || reopen(before.box))) text.value = before.text

  function keep(): void {
    const { [field]: _, ...others } = read(id)
    const now = text.value
    write(id, now === '' ? others : { ...others, [field]: { text: now, box: box() } })
  }
  watch([text, box], keep)
  // The last text of a stage is entered and the stage is gone in the same breath: no watcher sees it any more.
  onBeforeUnmount(keep)
}

/** The same for a field in which the box of a site stands open, if one does. */
export function useHalfTypedReading(
  field: string,
  text: Ref<string>,
  open: () => SiteStep | undefined,
  sites: () => readonly SiteId[],
  reopen: (step: SiteStep) => void,
): void {
  const box = () => {
    const step = open()
    return step ? `${step.site}/${step.trial}` : ''
  }
  useHalfTyped(field, text, box, (kept) => {
    const [name, trial] = kept.split('/')
    const site = sites().find((one) => one === name)
    if (site) reopen({ site, trial: Number(trial) })
    return site !== undefined
  })
}

/** What of a text is not kept on record yet: nothing where it says what is. */
export const notKept = (text: Ref<string>, kept: () => string) =>
  computed({
    get: () => (text.value.trim() === kept() ? '' : text.value),
    set: (typed) => (text.value = typed),
  })
