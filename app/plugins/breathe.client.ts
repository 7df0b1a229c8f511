/** A page comes alive in several short steps instead of one long one, so that a slow phone answers in between. */
export default defineNuxtPlugin((nuxt) => {
  nuxt.hook('app:beforeMount', breathe)
})
