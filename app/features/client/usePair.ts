import { comparedWith, type Measured } from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { ClientRecord } from '#shared/contract/record'

type Taken = Measured & CheckInWithReadings

/**
 * The two check-ins that are compared, kept in the address so that every page of a client speaks of the same two: the
 * last one and the one it is compared with everywhere, until the coach chooses others.
 */
export function usePair(view: Ref<ClientRecord>, measured: Ref<Taken[]>) {
  const route = useRoute()
  const router = useRouter()

  const now = computed<Taken | undefined>(
    () => measured.value.find(({ id }) => id === route.query.now) ?? measured.value.at(-1),
  )
  const then = computed<Taken | undefined>(() => {
    const chosen = measured.value.find(({ id }) => id === route.query.then)
    const last = now.value
    if (!last || (chosen && chosen.id !== last.id && chosen.measuredOn <= last.measuredOn)) {
      return chosen
    }
    const before = measured.value.slice(0, measured.value.indexOf(last)).reverse()
    return comparedWith(view.value.client, last, before)
  })

  function choose(pair: { then?: string; now?: string }) {
    void router.replace({
      query: { ...route.query, then: then.value?.id, now: now.value?.id, ...pair },
    })
  }
  const tapped = ref<string>()
  /** Takes a check-in into the pair: the two that were taken last are compared, at first with the newest. */
  function take(id: string) {
    const other = tapped.value ?? now.value?.id
    tapped.value = id
    if (!other || other === id) return
    const [a, b] = measured.value.filter((m) => m.id === id || m.id === other)
    choose({ then: a!.id, now: b!.id })
  }

  return { then, now, choose, take }
}
