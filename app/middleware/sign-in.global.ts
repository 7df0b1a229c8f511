/** What somebody who types along may see, besides the check-in that is open. */
const FOR_ASSISTANTS = /^\/(?:open-check-ins|sign-in|guide|settings|caller\/.+|reference.*)$/

/** Nobody but who is signed in sees a page, where people sign in. */
export default defineNuxtRouteMiddleware(async (to) => {
  if (goesOnAlone(to.path) || isForAnybody(to.path)) return undefined
  const { known, me, signsIn, load } = useMe()
  // A page that cannot ask says so by itself.
  if (!known.value) await load().catch(() => {})
  if (!signsIn.value) return to.path === '/sign-in' ? navigateTo('/') : undefined
  if (!me.value) return to.path === '/sign-in' ? undefined : navigateTo(signInFor(to.fullPath))
  // A client has one page.
  if (me.value.role === 'client') return navigateTo(CLIENTS_PAGE)
  if (to.path === '/sign-in') return navigateTo(pageAfterSignIn(to.query.to))
  if (me.value.role === 'assistant' && !FOR_ASSISTANTS.test(to.path))
    return navigateTo('/open-check-ins')
  return undefined
})
