import { dialAt, type PracticeFold } from '#core'

/** The needle stands still to the eye within so much of its rest, mm. */
const AT_REST_MM = 0.005

/** A drawn dial whose needle creeps as a fold gives way under the jaws. */
export function useCreep() {
  const fold = shallowRef<PracticeFold>()
  /** What the needle stands at, mm. */
  const shown = ref(0)
  let closedAt = 0
  let frame = 0

  /** Seconds since the jaws closed. */
  const after = () => (performance.now() - closedAt) / 1000
  function creep(): void {
    shown.value = dialAt(fold.value!, after())
    if (shown.value - fold.value!.settled > AT_REST_MM) frame = requestAnimationFrame(creep)
  }
  function close(on: PracticeFold): void {
    cancelAnimationFrame(frame)
    fold.value = on
    closedAt = performance.now()
    creep()
  }
  /** The needle stands still from now on. @returns seconds since the jaws closed */
  function stop(): number {
    cancelAnimationFrame(frame)
    const seconds = after()
    shown.value = dialAt(fold.value!, seconds)
    return seconds
  }
  onBeforeUnmount(() => cancelAnimationFrame(frame))
  return { fold, shown, after, close, stop }
}
