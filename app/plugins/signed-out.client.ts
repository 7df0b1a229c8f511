/** Who was signed out, here or from another device, is asked to sign in where they were; a check-in goes on by itself. */
export default defineNuxtPlugin(() => {
  const { known } = useMe()
  const router = useRouter()
  whenSignedOut.tell = () => {
    if (known.value) known.value = { signIn: true, me: null }
    // Where they are on the way to, and not the page that still stands.
    const route = router.currentRoute.value
    if (/^\/(?:check-in|caller|sign-in)(?:\/|$)/.test(route.path)) return
    void navigateTo({ path: '/sign-in', query: { to: route.fullPath } })
  }
})
