import { watchDebounced } from '@vueuse/core'
import { plainName } from '#core'
import { clients } from '~/contract'

/** Somebody of the same name, up to case and accents, who is on record already; asked for while the name is typed. */
export function useNamesake(name: Readonly<Ref<string>>) {
  const namesake = shallowRef<{ id: string; name: string }>()
  watchDebounced(
    name,
    async (typed) => {
      const wanted = plainName(typed)
      const found = wanted
        ? await callApi(clients.list, { query: { search: typed } }).catch(() => undefined)
        : undefined
      // What was typed since is asked for itself.
      if (typed !== name.value) return
      namesake.value = found?.entries
        .map(({ client }) => client)
        .find((client) => plainName(client.name) === wanted)
    },
    { debounce: 300 },
  )
  return namesake
}
