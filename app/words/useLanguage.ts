import { languages, spoken } from 'virtual:words'
import { bestLanguage } from '#shared/words/best-language'
import { LANGUAGE_COOKIE } from '#shared/words/language-cookie'

function wishedFor(): string[] {
  if (import.meta.client) return [...navigator.languages]
  const { 'accept-language': header = '' } = useRequestHeaders(['accept-language'])
  return header.split(',').map((part) => part.split(';')[0]!.trim())
}

/** The language of this device (BCP 47): as chosen, else as the browser wishes. */
export function useLanguage() {
  const chosen = useCookie<string | undefined>(LANGUAGE_COOKIE, KEPT_ON_DEVICE)
  return computed({
    get: () =>
      chosen.value && languages.includes(chosen.value)
        ? chosen.value
        : bestLanguage(wishedFor(), spoken),
    set: (name) => (chosen.value = name),
  })
}
