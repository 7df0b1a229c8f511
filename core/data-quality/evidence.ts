import type { SiteId } from '../anatomy/ids'
import { nameOf } from '../anatomy/names'
import { type EntryErrorContext, type SuggestedValue, asRead } from './finding'
import type { Hypothesis } from './hypotheses'
import type { Trials } from './likelihood'

/** What a number that was meant otherwise looks like. */
export const LOOKS_LIKE = {
  decimal: 'a decimal point lost or moved',
  ten: 'a first digit that is wrong or missing',
  transposition: 'two digits changed about',
}

/** What speaks for an entry error, in one sentence for the coach. */
export function evidenceOf(
  { kind, sites, readings }: Hypothesis,
  suggestions: readonly SuggestedValue[],
  trials: Trials,
  known: EntryErrorContext,
): string {
  const [site] = sites as [SiteId]
  const { last } = known
  const [name, other] = sites.map(nameOf)
  const lastOf = last[site] && `${asRead(site, last[site].value, known)} last time`
  const values = trials.get(site)!
  const typed = asRead(site, values[(readings[0]?.trial ?? 1) - 1]!, known)
  const all = values.length > 1 && `trials ${values.map((v) => asRead(site, v, known)).join(', ')}`
  const context = [lastOf, all].filter(Boolean).join(', ')
  const beside = context ? ` (${context})` : ''
  const second = suggestions[0]?.second
  const either = second === undefined ? '' : ' Two values fit.'
  // Where nothing is offered, more than one number could have been meant.
  const unsure = suggestions.length === 0 ? ' Measure again.' : ''
  const says = (what: string) => `${name} ${typed} looks like ${what}${beside}.${either}${unsure}`
  switch (kind) {
    case 'swap':
      return `${name} and ${other} look swapped: each fits the other's ${sites.every((s) => last[s]) ? 'last value' : 'readings'} better than its own.${unsure}`
    case 'moved alone':
      return `${name} moved by itself (${lastOf}), its neighbours did not: look at the mark again.`
    case 'odd trial':
      return `${name} ${typed} is unlike the rest${beside}. Measure again.`
    case 'repeated site':
      return `${name} reads like the site before it${beside}: was that measured twice?`
    case 'decimal':
      return says(LOOKS_LIKE.decimal)
    case 'unit':
      return says('another unit')
    case 'ten':
      return says(LOOKS_LIKE.ten)
    default:
      return says(LOOKS_LIKE.transposition)
  }
}
