import type { Headline } from './model/headline'
import { wayOf } from './model/verdict'

/** What a coach is to look at in a client's record, the most pressing first. */
export const LOOK_AT = [
  'too-fast',
  'losing-lean',
  'behind',
  'off-the-line',
  'fat-up',
  'missed-twice',
  'weekly-report',
  'report',
] as const
/** What is worth telling a client, the best first. */
export const WORTH_TELLING = ['fat-down-lean-up', 'fat-down', 'lean-up'] as const

export type LookAtItem = (typeof LOOK_AT)[number]
export type WorthTellingItem = (typeof WORTH_TELLING)[number]

/** Something about a client that is true since a check-in, and that the coach can be done with. */
export type Attention =
  | { kind: 'look'; item: LookAtItem; rank: number; about: string }
  | { kind: 'tell'; item: WorthTellingItem; rank: number; about: string }

/**
 * What a record's headline asks of the coach.
 *
 * @param date of the newest check-in
 * @param behind whether the plan's own path is missed
 * @returns undefined where nothing is to be done. `about` changes when something new is true: for what is to be looked at
 *   with every check-in, for what is worth telling with the horizon and the words
 */
export function attentionOf(
  headline: Headline,
  date: string,
  behind = false,
): Attention | undefined {
  const look = (item: LookAtItem): Attention => ({
    ...{ kind: 'look', item, rank: LOOK_AT.indexOf(item), about: `${item} ${date}` },
  })
  const tell = (item: WorthTellingItem): Attention => ({
    ...{ kind: 'tell', item, rank: WORTH_TELLING.indexOf(item) },
    about: `${item} ${headline.horizon} ${headline.since}`,
  })
  const { rule, changes } = headline
  if (rule === 'too-fast' || rule === 'losing-lean') return look(rule)
  if (behind) return look('behind')
  if (rule === 'off-the-line') return look(rule)
  if (rule !== 'phase-clear' && rule !== 'first-clear') return undefined
  const [fat, lean] = [changes[0], changes.find(({ quantity }) => quantity === 'lean')].map(
    (change) => (change ? wayOf(change) : 0),
  )
  if (fat === 1 && lean !== 1) return look('fat-up')
  if (fat === -1)
    return lean === -1 ? undefined : tell(lean === 1 ? 'fat-down-lean-up' : 'fat-down')
  return lean === 1 && fat === 0 ? tell('lean-up') : undefined
}
