import { hearBurst, hearKey, SILENCE, type Burst, type Key } from '#core'
import type { InjectionKey, ShallowRef } from 'vue'
import { hearTyping } from './stand-ins'

/*
 * A caliper or tape that types like a keyboard. What it sends goes into the field in hand, whatever has the focus: a key
 * that begins a burst cannot be told from one of a hand, so digits outside of a text field are held back for as long as
 * a burst takes, and what a burst has typed into a text field is taken out of it again.
 */

/** The field in hand. */
interface Receiver {
  /** Whether it stands open now. */
  open(): boolean
  /** Shows what was sent, while more may come. */
  show(text: string): void
  /** Takes it, if it still stands there. @returns whether it was taken */
  take(text: string): boolean
}

/** What became of the newest that was sent. */
export interface SentValue {
  text: string
  is: 'waiting' | 'taken' | 'twice' | 'unplaced'
}

const RECEIVER: InjectionKey<{
  receiver: ShallowRef<Receiver | undefined>
  sent: ShallowRef<SentValue | undefined>
}> = Symbol('receiver')

/** Whether a caliper or tape types into this device: the coach's choice, kept on it. */
export const useTypingInstrument = () =>
  useCookie<boolean>('oak-pinch-typing-instrument', { default: () => false, ...KEPT_ON_DEVICE })

/** How long a key is held back that may begin a burst, ms: somewhat longer than a burst's keys lie apart. */
const HELD_MS = 60

/** Listens on this page to instruments that type. @returns what became of the newest that was sent */
export function listenToInstruments() {
  const wanted = useTypingInstrument()
  const receiver = shallowRef<Receiver>()
  const sent = shallowRef<SentValue>()
  provide(RECEIVER, { receiver, sent })

  let waiting: ReturnType<typeof setTimeout> | undefined
  let before: Burst | undefined
  function arrived(burst: Burst): void {
    const { text } = burst
    const hearing = hearBurst(before, burst)
    before = burst
    if (!receiver.value?.open()) {
      sent.value = { text, is: 'unplaced' }
      return
    }
    if (hearing.is === 'twice') {
      sent.value = { text, is: 'twice' }
      return
    }
    receiver.value.show(text)
    sent.value = { text, is: 'waiting' }
    clearTimeout(waiting)
    const to = receiver.value
    waiting = setTimeout(() => {
      const taken = to.take(text)
      if (!taken) sent.value = undefined
      else if (sent.value?.is !== 'twice') sent.value = { text, is: 'taken' }
    }, hearing.until - burst.at)
  }

  let listening = SILENCE
  /** What stood in the text field that has the focus before the burst, if one has. */
  let field: { element: HTMLInputElement | HTMLTextAreaElement; value: string } | undefined
  let held: KeyboardEvent[] = []
  let release: ReturnType<typeof setTimeout> | undefined
  const letGo = new WeakSet<Event>()
  function releaseHeld(): void {
    clearTimeout(release)
    for (const { key, code, target } of held.splice(0)) {
      const again = new KeyboardEvent('keydown', { key, code, bubbles: true, cancelable: true })
      letGo.add(again)
      target?.dispatchEvent(again)
    }
  }
  const stop = (event: KeyboardEvent) => {
    event.preventDefault()
    event.stopImmediatePropagation()
  }

  function onKey(event: KeyboardEvent): void {
    if (!wanted.value || letGo.has(event)) return
    if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) {
      listening = SILENCE
      return releaseHeld()
    }
    const { now, burst } = hearKey(listening, { key: event.key, at: event.timeStamp })
    listening = now
    if (burst) {
      stop(event)
      clearTimeout(release)
      held = []
      putBack()
      return arrived(burst)
    }
    if (now.keys.length === 1) {
      releaseHeld()
      field = textFieldInHand()
    }
    if (now.keys.length === 0) return releaseHeld()
    if (field) return
    stop(event)
    held.push(event)
    clearTimeout(release)
    release = setTimeout(releaseHeld, HELD_MS)
  }
  function putBack(): void {
    if (!field) return
    const { element, value } = field
    element.value = value
    element.dispatchEvent(new Event('input', { bubbles: true }))
    field = undefined
  }

  /** The stand-in's keys come with their own times, and never reach a field by themselves. */
  function hearStandIn(keys: Key[]): void {
    if (!wanted.value) return
    let heard = SILENCE
    for (const key of keys) {
      const { now, burst } = hearKey(heard, key)
      heard = now
      if (burst) arrived({ ...burst, at: performance.now() })
    }
  }

  onMounted(() => {
    const end = hearTyping(hearStandIn)
    window.addEventListener('keydown', onKey, true)
    onBeforeUnmount(() => {
      end()
      window.removeEventListener('keydown', onKey, true)
      clearTimeout(waiting)
      clearTimeout(release)
    })
  })
  return sent
}

/** The text field that has the focus, with what stands in it. */
function textFieldInHand() {
  const element = document.activeElement
  const isText =
    element instanceof HTMLTextAreaElement ||
    (element instanceof HTMLInputElement && !/^(checkbox|radio|range|button)$/.test(element.type))
  return isText ? { element, value: element.value } : undefined
}

/** A field that takes what is sent while its screen stands. @returns what became of the newest that was sent */
export function useSentValues(one: Receiver) {
  const { receiver, sent } = inject(RECEIVER)!
  onMounted(() => (receiver.value = one))
  onBeforeUnmount(() => {
    if (receiver.value === one) receiver.value = undefined
    sent.value = undefined
  })
  return sent
}
