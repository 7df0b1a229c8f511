import { MADE_UP_COOKIE } from '#shared/contract/made-up'

/** Whether this browser looks around in the made-up club; going in or out begins at Today, with nothing of the other. */
export function useMadeUp() {
  const cookie = useCookie<string | undefined>(MADE_UP_COOKIE, { sameSite: 'strict' })
  async function go(to: string | undefined) {
    cookie.value = to
    // After the cookie is written; the whole page anew, so that nothing of one record is seen in the other.
    await nextTick()
    location.assign('/')
  }
  return {
    lookingAround: computed(() => cookie.value !== undefined),
    enter: () => go('1'),
    leave: () => go(undefined),
  }
}
