import words from 'virtual:words/all'
import { provideWords } from '#shared/words/voices'

/** The server answers in the words of the catalogue, in every language that it has. */
export default defineNitroPlugin(() => provideWords(words))
