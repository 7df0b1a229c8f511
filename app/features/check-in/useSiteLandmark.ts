import { isSkinfold, landmarkOf, standardOfSite, type SiteId, isBone, isBreadth } from '#core'
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
    const { name, where, how } = siteGuide(protocol.value, site, client.value!.sex)
    const text = `${where} ${how}`.trim()
    if (isBone(site))
      return {
        ...{ name, text },
        what: isBreadth(site) ? t('checkIn.breadth') : t('checkIn.length'),
        caption: t('checkIn.betweenPointsOfBone'),
      }
    if (!isSkinfold(site))
      return { name, text, what: t('checkIn.girth'), caption: t('checkIn.tapeLevelAllRound') }
    const fold = landmarkOf(site, standardOfSite(protocol.value, site))
    return {
      ...{ name, text },
      what: fold ? t('checkIn.directionFold', { direction: fold.direction }) : t('checkIn.fold'),
      caption: fold
        ? t('checkIn.foldRunsRuns', { runs: fold.runs })
        : t('checkIn.foldWhereWordsSay'),
    }
  })
  const spot = computed(() => step.value && spotOf(step.value.site, client.value!.sex))
  /** The client's own mark and side of the site in hand. */
  const mark = computed(() => step.value && store.siteNoteOf(step.value.site))
  const side = computed(() => mark.value?.side ?? 'right')
  const others = computed(() =>
    kind !== 'folds'
      ? []
      : sites.value
          .filter((site) => site !== step.value?.site)
          .flatMap((site) => spotOf(site, client.value!.sex) ?? [])
          .filter(({ view }) => view === spot.value?.view),
  )

  return { landmark, spot, mark, side, others }
}
