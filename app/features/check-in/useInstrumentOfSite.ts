import { toolOf, type SiteStep } from '#core'

/**
 * What a caliper, a tape or a bone caliper types lands in the field of the site in hand, and is taken when its jaws stand still.
 *
 * @param text of the field
 * @param step the box that is open
 */
export function useInstrumentOfSite(text: Ref<string>, step: () => SiteStep | undefined) {
  const store = useCheckInStore()
  /** What was typed and where, as long as it stands there. */
  const typed = shallowRef<{ text: string; box: string }>()
  const boxOf = (of = step()) => (of ? `${of.site}/${of.trial}` : '')
  const stands = () => typed.value?.text === text.value && typed.value.box === boxOf()

  /** The instrument that has typed what stands in the field; null where a hand has. */
  function typedBy(): string | null {
    const of = step()
    if (!of || !stands()) return null
    const id = store.checkIn![toolOf(of.site)]
    const instrument = store.view!.gym.instruments.find((one) => one.id === id)
    return instrument?.name ?? t('devices.typing')
  }

  /** @param enter takes what stands in the field; returns whether it was taken */
  function listen(enter: () => boolean) {
    const sent = useSentValues({
      open: () => step() !== undefined,
      show(now) {
        text.value = now
        typed.value = { text: now, box: boxOf() }
      },
      // Changed by hand, or of a box that is no longer open: then it waits for the hand.
      take: () => stands() && enter(),
    })
    // Once a hand types, what was sent before is no news.
    watch(text, (now) => {
      if (now !== '' && now !== typed.value?.text) sent.value = undefined
    })
    return sent
  }
  return { typedBy, listen }
}
