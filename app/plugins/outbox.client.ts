import { theOutbox } from '../features/check-in/log'

/** What an earlier page left unsent is sent when the application starts, whichever page is open. */
export default defineNuxtPlugin((nuxt) => {
  nuxt.hook('app:mounted', () => {
    whenIdle(() => theOutbox().start())
    window.addEventListener('online', () => void theOutbox().drain())
  })
})
