/** Who was signed out, here or from another device, is asked to sign in where they were; a check-in goes on by itself. */
export default defineNuxtPlugin(() => {
  const { known } = useMe()
  const router = useRouter()
  whenSignedOut.tell = () => {
    if (known.value) known.value = { signIn: true, me: null }
    // Where they are on the way to, and not the page that still stands.
    const route = router.currentRoute.value
    if (goesOnAlone(route.path) || isForAnybody(route.path) || route.path === '/sign-in') return
    void navigateTo(signInFor(route.fullPath))
  }
})
