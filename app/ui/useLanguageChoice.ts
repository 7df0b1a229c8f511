import { spoken } from 'virtual:words'

/** The languages to choose from, each by its own name; another one loads the page anew in it. */
export function useLanguageChoice() {
  const chosen = useLanguage()
  const languages = spoken.map((value) => ({
    value,
    name: new Intl.DisplayNames([value], { type: 'language' }).of(value) ?? value,
  }))
  const language = computed({
    get: () => chosen.value,
    set: (name) => {
      chosen.value = name
      // After the cookie is written.
      void nextTick(() => location.reload())
    },
  })
  return { language, languages }
}
