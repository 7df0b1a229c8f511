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
