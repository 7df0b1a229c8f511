import { shallowReadonly, shallowRef } from 'vue'

/** For how long what was done is said, and can be undone, ms. */
const SAID_MS = 10_000

interface Said {
  /** What was done, in words. */
  text: string
  /** Takes it back; nothing where that cannot be done. */
  back?: () => unknown
}

/* One for the whole application, so that it is still said after the page that did it gave way to another. */
const said = shallowRef<Said>()
let timer: ReturnType<typeof setTimeout> | undefined

function hush(): void {
  clearTimeout(timer)
  said.value = undefined
}

/** What was done last, said for ten seconds with the way back; the next thing takes its place. In the browser only. */
export function useSaid() {
  function say(text: string, back?: Said['back']): void {
    hush()
    said.value = { text, ...(back && { back }) }
    timer = setTimeout(hush, SAID_MS)
  }

  async function undo(): Promise<void> {
    const back = said.value?.back
    hush()
    await back?.()
  }

  return { said: shallowReadonly(said), say, undo, hush }
}
