import { measuredOf } from '#core'
import type { ClientRecord } from '#shared/contract/record'
import type { Key } from '~/words/say'
import { clients } from '~/contract'

/** The title of a page about a client. */
export function useClientTitle(name: () => string | undefined, part?: Key) {
  usePageTitle(() => [name() ?? t('client.client'), ...(part ? [t(part)] : [])].join(', '))
}

/**
 * A client's record, for the pages about their check-ins; each check-in with who took it and with what.
 *
 * @param part of the record that the page shows, for its title
 */
export async function useClientRecord(part?: Key) {
  const id = String(useRoute().params.id)
  const asked = useAsyncData(
    `record-${id}`,
    () => callApi(clients.record, { params: { id } }),
    // A whole record is large and replaced as one.
    { deep: false },
  )
  const { data, error, refresh } = asked
  // Before anything is waited for: after it there is no page to give a title to.
  useClientTitle(() => data.value?.client.name, part)
  await asked
  // The frame of the page is drawn by now; a slow phone answers before the record is worked out.
  await breathe()
  const view = computed(() => data.value as ClientRecord)
  /** Puts in what a change of the record answered with. */
  const patch = (what: Partial<ClientRecord>) => {
    data.value = { ...view.value, ...what }
  }
  /** Closed check-ins as the judgement takes them, oldest first; none where the client is not there. */
  const measured = computed(() =>
    (data.value?.checkIns ?? [])
      .filter(({ closedAt }) => closedAt !== null)
      .map((checkIn) => measuredOf(checkIn, view.value))
      .reverse(),
  )
  await workOut(measured)
  return { id, view, error, refresh, patch, measured }
}
