/** What keeps a device from being read, in words; nothing where it can be. */
export function useDeviceWords() {
  const { device, state, heard } = storeToRefs(useBodyDevice())
  const hindrance = computed(() => {
    if (!device.value) return ''
    const { name } = device.value
    if (state.value === 'lost') return t('devices.lost', { name })
    if (state.value === 'opening') return t('devices.opening', { name })
    if (heard.value.wrong === 'failed') return t('devices.failed', { name })
    return heard.value.wrong === 'unreadable' ? t('devices.unreadable', { name }) : ''
  })
  /** Whether the coach has to do something about it. */
  const isBad = computed(() => state.value === 'lost' || heard.value.wrong !== undefined)
  return { hindrance, isBad }
}
