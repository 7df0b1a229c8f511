import {
  fixed,
  formatDate,
  formatLength,
  formatMass,
  headlineText,
  isGirth,
  nameOf,
  type Headline,
  type HeadlineUnits,
} from '#core'
import type { TodayItem } from '#shared/contract/today'

/** A line of Today: what it is in a word or two, the rest of the sentence, and what to do about it. */
export interface ItemWords {
  lead: string
  rest: string
  tone: 'text-clay' | 'text-leaf' | 'text-ink'
  /** Which way the mark before it points; none where nothing moved. */
  mark: '▼' | '▲' | ''
  action: string
  /** Where the action leads; a check-in is started where it leads nowhere. */
  to?: string
}

/** From so many days on a missed check-in is said beside the rest. */
const LATE_DAYS = 4

/** What a headline of the contract is to the core: the same, without the odds. */
export const headlineFrom = (said: NonNullable<TodayItem['said']>) => said.headline as Headline

/** What a plan has and the record does not. */
function shortText({ quantity, by }: { quantity: string; by: number }, units: HeadlineUnits) {
  if (quantity === 'fat' || quantity === 'lean') {
    return `by ${formatMass(Math.abs(by), units.mass)} of ${quantity}`
  }
  return isGirth(quantity)
    ? `by ${formatLength(Math.abs(by), units.length ?? 'cm')} (${nameOf(quantity).toLowerCase()})`
    : `by ${fixed(Math.abs(by), 0)} mm of folds`
}

/** One line of Today in words. */
export function itemWords(found: TodayItem, units: HeadlineUnits): ItemWords {
  const { item, said, client, daysPast, report, checkInId } = found
  const headline = said && headlineFrom(said)
  const says = headline ? headlineText(headline, units) : ''
  const page = `/clients/${client.id}`
  const late =
    daysPast !== null && daysPast >= LATE_DAYS ? ` ${daysPast} days late for a check-in.` : ''
  const read = { action: 'Read the record', to: page }
  const ease = client.hasPlan ? { action: 'Ease the plan', to: `${page}/plan` } : read
  const result = { action: 'Show the result', to: `${page}/check-ins/${checkInId}` }
  const down = { mark: '▼', tone: 'text-clay' } as const
  switch (item) {
    case 'losing-lean':
      return { lead: 'Losing lean.', rest: says + late, ...down, ...ease }
    case 'too-fast': {
      const since = headline?.since ? ` since ${formatDate(headline.since, true)}` : ''
      const pace = `${fixed(headline?.percentAWeek ?? 0, 1)} % of body mass a week${since}.`
      return { lead: 'Losing too fast:', rest: pace + late, ...down, ...ease }
    }
    case 'behind': {
      const by = said?.short ? `${shortText(said.short, units)}.` : ''
      const plan = { action: 'Look at the plan', to: `${page}/plan` }
      return { lead: 'Behind the plan', rest: by + late, mark: '', tone: 'text-clay', ...plan }
    }
    case 'off-the-line':
      return {
        ...{ lead: 'Off the line.', mark: '', tone: 'text-clay', action: 'Measure again' },
        rest: 'The last check-in does not fit those before it.',
      }
    case 'fat-up':
      return { lead: 'Creeping up.', rest: says + late, mark: '▲', tone: 'text-clay', ...read }
    case 'missed-twice':
      return {
        ...{ lead: `${daysPast} days late.`, rest: 'Two check-ins missed.' },
        ...{ mark: '', tone: 'text-clay', ...read },
      }
    case 'report':
      return {
        ...{ lead: 'Weigh-ins came in:', mark: '', tone: 'text-ink' },
        rest: `${report!.days} days, ${formatMass(report!.meanKg, units.mass)} in the last week.`,
        ...{ action: 'Read them', to: `${page}/weigh-ins` },
      }
    case 'fat-down':
    case 'fat-down-lean-up':
      return { lead: says, rest: '', mark: '▼', tone: 'text-leaf', ...result }
    case 'lean-up':
      return { lead: says, rest: '', mark: '▲', tone: 'text-leaf', ...result }
  }
}
