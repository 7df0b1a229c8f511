import { clientViewSchema, type ClientView } from '#shared/contract/record'
import { measuredOf } from '#shared/measured'

/**
 * A client's record, for every page about them; each check-in with the hand that took it.
 *
 * @param part of the record that the page shows, for its title
 */
export async function useClientView(part?: string) {
  const id = String(useRoute().params.id)
  const api = useApi()
  const asked = useAsyncData(
    `client-${id}`,
    () => api.get(`/api/clients/${id}`, clientViewSchema),
    // A whole record is large and replaced as one.
    { deep: false },
  )
  const { data, error, refresh } = asked
  // Before anything is waited for: after it there is no page to give a title to.
  useHead({
    title: () =>
      `${[data.value?.client.name ?? 'Client', ...(part ? [part] : [])].join(', ')} · Oak Pinch`,
  })
  await asked
  const view = computed(() => data.value as ClientView)
  /** Puts in what a change of the record answered with. */
  const patch = (what: Partial<ClientView>) => {
    data.value = { ...view.value, ...what }
  }
  /** Closed check-ins as the judgement takes them, oldest first. */
  const measured = computed(() =>
    view.value.checkIns
      .filter(({ closedAt }) => closedAt !== null)
      .map((checkIn) => measuredOf(checkIn, view.value))
      .reverse(),
  )
  const planInForce = computed(() => view.value.plans.find(({ replacedAt }) => replacedAt === null))
  return { id, view, error, refresh, patch, measured, planInForce }
}
