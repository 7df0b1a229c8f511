import { languages } from 'virtual:words'
import { languageFor, wishedIn } from '#shared/words/best-language'
import { LANGUAGE_COOKIE } from '#shared/words/language-cookie'

function wishedFor(): string[] {
  if (import.meta.client) return [...navigator.languages]
  const { 'accept-language': header = '' } = useRequestHeaders(['accept-language'])
  return wishedIn(header)
}

/** The language of this device (BCP 47): as chosen, else as the browser wishes. */
export function useLanguage() {
  const chosen = useCookie<string | undefined>(LANGUAGE_COOKIE, KEPT_ON_DEVICE)
  return computed({
    get: () => languageFor(chosen.value, wishedFor(), languages),
    set: (name) => (chosen.value = name),
  })
}
