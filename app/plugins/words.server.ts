import words from 'virtual:words/all'
import { speakWith, type Voice } from '~/words/say'
import { translator } from '~/words/translator'

const voices = new Map<string, Voice>()
function voiceOf(language: string): Voice {
  const voice = voices.get(language) ?? {
    say: translator(language, words[language] ?? {}),
    language,
  }
  voices.set(language, voice)
  return voice
}

/** Every language is there when the server makes a page; which one it is goes by whose page it is. */
export default defineNuxtPlugin({
  name: 'words',
  setup() {
    const voice = voiceOf(useLanguage().value)
    useHead({ htmlAttrs: { lang: voice.language } })
    speakWith(() => (useNuxtApp().$voice as Voice | undefined) ?? voice)
    return { provide: { voice } }
  },
})
