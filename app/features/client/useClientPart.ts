import type { Route } from '#shared/contract/define'
import type { Key } from '~/words/say'
import { clients, type Later } from '~/contract'
import { useClientTitle } from './useClientRecord'

/**
 * A client and one part of what is kept about them, for a page that shows that part alone.
 *
 * @param part by its name, for the title
 * @param route of the part, by the client's id
 */
export async function useClientPart<T extends Route>(part: Key, route: Later<T>) {
  const id = String(useRoute().params.id)
  const params = { id }
  const person = useAsyncData(`client-${id}`, () => callApi(clients.view, { params }))
  const asked = useAsyncData(`${part}-${id}`, () => callApi(route, { params } as Sent<T>))
  // Before anything is waited for: after it there is no page to give a title to.
  useClientTitle(() => person.data.value?.name, part)
  await Promise.all([person, asked])
  const view = computed(() => person.data.value && { client: person.data.value })
  const error = computed(() => person.error.value ?? asked.error.value)
  return { id, view, error, data: asked.data }
}
