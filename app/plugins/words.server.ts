import words from 'virtual:words/all'
import { speakWith, type Voice } from '~/words/say'
import { translator } from '#shared/words/translator'

const voices = new Map<string, Voice>()
function voiceOf(language: string): Voice {
  const voice = voices.get(language) ?? {
    say: translator(language, words[language] ?? {}),
    language,
  }
  voices.set(language, voice)
  return voice
}
// Whose page is being made says in which language.
speakWith(() => useNuxtApp().$voice as Voice)

/** Every language is there when the server makes a page. */
export default defineNuxtPlugin({
  name: 'words',
  setup() {
    const voice = voiceOf(useLanguage().value)
    useHead({ htmlAttrs: { lang: voice.language } })
    return { provide: { voice } }
  },
})
