import { languages, spoken } from 'virtual:words'
import { bestLanguage } from './best-language'

function wishedFor(): string[] {
  if (import.meta.client) return [...navigator.languages]
  const { 'accept-language': header = '' } = useRequestHeaders(['accept-language'])
  return header.split(',').map((part) => part.split(';')[0]!.trim())
}

/** The language of this device (BCP 47): as chosen, else as the browser wishes. */
export function useLanguage() {
  const chosen = useCookie<string | undefined>('oak-pinch-language', KEPT_ON_DEVICE)
  return computed({
    get: () =>
      chosen.value && languages.includes(chosen.value)
        ? chosen.value
        : bestLanguage(wishedFor(), spoken),
    set: (name) => (chosen.value = name),
  })
}
