/** Whether the read cue sounds and shows a ring: the coach's choice, kept on this device. */
export function useCueChoice() {
  return useCookie<{ sound: boolean; ring: boolean }>('oak-pinch-read-cue', {
    default: () => ({ sound: true, ring: true }),
    ...KEPT_ON_DEVICE,
  })
}

function beep() {
  // A browser without audio stays silent; the ring still shows the moment.
  const context = new AudioContext()
  const tone = context.createOscillator()
  const volume = context.createGain()
  tone.frequency.value = 880
  volume.gain.value = 0.2
  tone.connect(volume).connect(context.destination)
  tone.start()
  tone.stop(context.currentTime + 0.15)
  tone.onended = () => void context.close()
}

/**
 * Counts the seconds from the closing of the jaws to the reading, and says when to read.
 *
 * @param seconds how long, by the protocol's standard
 */
export function useReadCue(seconds: () => number) {
  const choice = useCueChoice()
  const state = ref<'idle' | 'waiting' | 'read'>('idle')
  let timer: ReturnType<typeof setTimeout> | undefined

  function stop() {
    clearTimeout(timer)
    state.value = 'idle'
  }

  function start() {
    clearTimeout(timer)
    state.value = 'waiting'
    timer = setTimeout(() => {
      state.value = 'read'
      if (choice.value.sound && 'AudioContext' in window) beep()
    }, seconds() * 1000)
  }

  onBeforeUnmount(stop)
  return { state, start, stop, choice }
}
