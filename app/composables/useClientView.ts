import { clientViewSchema, type ClientView } from '#shared/client-view'
import { measuredOf } from '#shared/measured'

/** A client's record, for every page about them; each check-in with the hand that took it. */
export async function useClientView() {
  const id = String(useRoute().params.id)
  const api = useApi()
  const { data, error, refresh } = await useAsyncData(
    `client-${id}`,
    () => api.get(`/api/clients/${id}`, clientViewSchema),
    // A whole record is large and replaced as one.
    { deep: false },
  )
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
  return { id, view, error, refresh, patch, measured }
}
