import { girthLandmark, isSkinfold, landmarkOf, standardOfSite, type SiteId } from '#core'
import type { SiteKind } from './useSiteEntry'
import { spotOf } from '../../ui/figure/sites'

/** Where the site in hand is: its landmark in words, its place on the figure, and the client's own mark. */
export function useSiteLandmark(
  kind: SiteKind,
  step: Ref<{ site: SiteId } | undefined>,
  sites: Ref<readonly SiteId[]>,
) {
  const store = useCheckInStore()
  const { client, protocol } = storeToRefs(store)

  /** The site in hand, as its standard has it, in the words of the screen. */
  const landmark = computed(() => {
    if (!step.value) return undefined
    const { site } = step.value
    if (!isSkinfold(site)) {
      const { name, where, how } = girthLandmark(site)
      return { name, text: `${where} ${how}`, what: 'girth', caption: 'tape level all round' }
    }
    const fold = landmarkOf(site, standardOfSite(protocol.value, site))!
    return {
      name: fold.name,
      text: `${fold.where[client.value!.sex]} ${fold.posture}`,
      what: `${fold.direction} fold`,
      caption: `fold runs ${fold.runs}`,
    }
  })
  const spot = computed(() => step.value && spotOf(step.value.site))
  /** The client's own mark and side of the site in hand. */
  const mark = computed(() => step.value && store.siteNoteOf(step.value.site))
  const side = computed(() => mark.value?.side ?? 'right')
  const others = computed(() =>
    kind === 'tape'
      ? []
      : sites.value
          .filter((site) => site !== step.value?.site)
          .map(spotOf)
          .filter(({ view }) => view === spot.value?.view),
  )

  return { landmark, spot, mark, side, others }
}
