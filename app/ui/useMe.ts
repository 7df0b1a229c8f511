import { may, type Action } from '#shared/access'
import type { Me } from '#shared/contract/access'
import { access } from '~/contract'

/** Who sits before this page, and what they may do. */
export function useMe() {
  const known = useState<Me | undefined>('me')
  const me = computed(() => known.value?.me ?? undefined)
  return {
    known,
    me,
    /** Whether people sign in here at all. */
    signsIn: computed(() => known.value?.signIn === true),
    /**
     * Whether they may do something; the server has the last word. A page that was opened without the server knows
     * nobody, and shows everything.
     */
    can(action: Action): boolean {
      const actor = me.value
      return !actor || may({ clientId: null, ...actor }, action) === 'yes'
    },
    async load(): Promise<void> {
      known.value = await callApi(access.me, {})
    },
  }
}

/** Where to after signing in: a page of this application. */
export const pageAfterSignIn = (asked: unknown): string =>
  typeof asked === 'string' && /^\/(?![/\\])/.test(asked) ? asked : '/'

/** Where somebody signs in who wants to see a page. */
export const signInFor = (page: string) => ({
  path: '/sign-in',
  query: page === '/' ? {} : { to: page },
})

/** For a phone that nobody is signed in with yet, for a screen on the wall, and for who comes from a mail. */
export const isForAnybody = (path: string): boolean =>
  ['/pair', '/trust', '/stop', '/wall', CLIENTS_PAGE].includes(path)

/** A client's own page: it says by itself what it takes to come in. */
export const CLIENTS_PAGE = '/my'

/** Opens without the server, and says by itself when nobody is signed in: its readings wait meanwhile. */
export const goesOnAlone = (path: string): boolean => /^\/(?:check-in|caller)\//.test(path)
