/** Whether each reading is spoken back: the coach's choice, kept on this device. */
export function useVoiceChoice() {
  return useCookie<boolean>('oak-pinch-voice', { default: () => false, ...KEPT_ON_DEVICE })
}

/** Says back what was typed, where the browser has a voice; never of a client who is to hear no number. */
export function useVoice() {
  const wanted = useVoiceChoice()
  const able = import.meta.client && 'speechSynthesis' in window

  const { sensitive } = storeToRefs(useCheckInStore())

  function say(words: string) {
    if (!wanted.value || !able || sensitive.value) return
    speechSynthesis.cancel()
    speechSynthesis.speak(new SpeechSynthesisUtterance(words))
  }

  return { say, able }
}
