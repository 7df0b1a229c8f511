/**
 * A page comes alive in several short steps instead of one long one, so that a slow phone answers in between: after
 * its scripts have run and before it is made.
 */
export default defineNuxtPlugin({
  order: -100,
  async setup(nuxt) {
    nuxt.hook('app:beforeMount', breathe)
    await breathe()
  },
})
