import words from 'virtual:words/all'
import { speakWith, type Voice } from '~/words/say'
import { provideWords, voiceOf } from '#shared/words/voices'

provideWords(words)
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
