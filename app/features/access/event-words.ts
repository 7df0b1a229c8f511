import type { Events } from '#shared/contract/access'
import { LOOKS } from '#shared/contract/looks'

const PLACES = [
  ...(['clients', 'checkIns', 'photos', 'plans', 'weighIns', 'notes'] as const),
  ...(['calendar', 'today', 'gym', 'leaderboards', 'backups', 'access'] as const),
]

/** What somebody did, in words. */
function didWords(what: string): string {
  if (what === 'access.signIn') return t('access.didSignIn')
  if (what === 'access.signOut') return t('access.didSignOut')
  if (what === 'access.pair') return t('access.didPair')
  if (what === 'access.begin') return t('access.didBegin')
  if (what === 'access.assign') return t('access.didAssign')
  if (what === 'clients.erase') return t('access.didErase')
  const place = PLACES.find((name) => what.startsWith(`${name}.`)) ?? 'clients'
  return t(`access.did.${place}.${LOOKS.has(what) ? 'look' : 'change'}`)
}

/** One line of who did what. @param about whether it says with whose record */
export function eventWords(
  { who, what, client }: Events['events'][number],
  about: boolean,
): string {
  const did = didWords(what)
  return about && client?.name
    ? t('access.eventLineAbout', { who, did, client: client.name })
    : t('access.eventLine', { who, did })
}

/** When, and with which device. */
export const eventWhen = ({ at, device }: Events['events'][number]): string =>
  device
    ? t('access.eventAtDevice', { at: instantText(at), device })
    : t('access.eventAt', { at: instantText(at) })
