import { loaders, otherLoaders } from 'virtual:words'
import { placesNeeded, whenNeeded } from '~/words/needed'
import { speakWith } from '~/words/say'
import { translator, type Messages } from '#shared/words/translator'

/** The words of the places that the loaded scripts speak of, each fetched once and before it is shown. */
export default defineNuxtPlugin({
  name: 'words',
  async setup() {
    const language = useLanguage().value
    const messages: Messages = {}
    const others = await otherLoaders[language]?.()
    const places = others?.default ?? loaders
    const fetched = new Map<string, Promise<void>>()
    const load = (place: string) => {
      const known =
        fetched.get(place) ??
        places[place]!().then(
          ({ default: words }) => void Object.assign(messages, words),
          (error: unknown) => {
            // Asked for again the next time: the server was away.
            fetched.delete(place)
            throw error
          },
        )
      fetched.set(place, known)
      return known
    }
    const loadAll = () => Promise.all(placesNeeded().map(load))
    // Words that come after the page is drawn, with a part of it that came late, draw that part again.
    const arrived = shallowRef(0)
    const say = translator(language, messages)
    speakWith(() => ({ say: (key, values) => (void arrived.value, say(key, values)), language }))
    useHead({ htmlAttrs: { lang: language } })
    await loadAll()
    useRouter().beforeResolve(async () => void (await loadAll()))
    // Who waits for a part of the page is told where its words do not come, and asks for it again.
    const drawAgain = () =>
      void loadAll().then(
        () => arrived.value++,
        () => {},
      )
    whenNeeded(drawAgain, loadAll)
  },
})
