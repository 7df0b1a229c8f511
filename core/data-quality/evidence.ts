import { type Message, say, listed, sentences } from '../say'
import type { SiteId } from '../anatomy/ids'
import { nameOf } from '../anatomy/names'
import { type EntryErrorContext, type SuggestedValue, asRead } from './finding'
import type { Hypothesis } from './hypotheses'
import type { Trials } from './likelihood'

/** What a number that was meant otherwise looks like. */
export const LOOKS_LIKE = {
  decimal: say('findings.decimalPointLostMoved'),
  ten: say('findings.firstDigitWrongMissing'),
  transposition: say('findings.twoDigitsChangedAbout'),
}

/** What speaks for an entry error, in one sentence for the coach. */
export function evidenceOf(
  { kind, sites, readings }: Hypothesis,
  suggestions: readonly SuggestedValue[],
  trials: Trials,
  known: EntryErrorContext,
): Message {
  const [site] = sites as [SiteId]
  const { last } = known
  const [name, other] = sites.map(nameOf)
  const lastOf =
    last[site] && say('findings.lastTime', { site: asRead(site, last[site].value, known) })
  const values = trials.get(site)!
  const typed = asRead(site, values[(readings[0]?.trial ?? 1) - 1]!, known)
  const all =
    values.length > 1 &&
    say('findings.trials', { values: listed(values.map((v) => asRead(site, v, known))) })
  const parts = [lastOf, all].filter((part) => part !== false && part !== undefined)
  const beside = parts.length ? listed(parts) : undefined
  const second = suggestions[0]?.second
  const either = second === undefined ? undefined : say('findings.twoValuesFit')
  // Where nothing is offered, more than one number could have been meant.
  const unsure = suggestions.length === 0 ? say('findings.measureAgain') : undefined
  const says = (what: Message) =>
    sentences(
      beside
        ? say('findings.looksLikeBeside', { name, typed, what, beside })
        : say('findings.looksLike', { name, typed, what }),
      either,
      unsure,
    )
  switch (kind) {
    case 'swap':
      return sentences(
        sites.every((s) => last[s])
          ? say('findings.swappedByLast', { name, other })
          : say('findings.swappedByReadings', { name, other }),
        unsure,
      )
    case 'moved alone':
      return say('findings.movedItselfNeighboursDidLook', { name, lastOf })
    case 'odd trial':
      return beside
        ? say('findings.unlikeRestBeside', { name, typed, beside })
        : say('findings.unlikeRest', { name, typed })
    case 'repeated site':
      return beside
        ? say('findings.repeatedSiteBeside', { name, beside })
        : say('findings.repeatedSite', { name })
    case 'decimal':
      return says(LOOKS_LIKE.decimal)
    case 'unit':
      return says(say('findings.anotherUnit'))
    case 'ten':
      return says(LOOKS_LIKE.ten)
    default:
      return says(LOOKS_LIKE.transposition)
  }
}
