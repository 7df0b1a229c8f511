import { isGirth, type Headline, type HeadlineUnits } from '#core'
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
    return t(quantity === 'fat' ? 'today.shortFat' : 'today.shortLean', {
      mass: formatMass(Math.abs(by), units.mass),
    })
  }
  return isGirth(quantity)
    ? t('today.shortGirth', {
        length: formatLength(Math.abs(by), units.length ?? 'cm'),
        girth: nameOf(quantity),
      })
    : t('today.shortFolds', { mm: fixed(Math.abs(by), 0) })
}

/** One line of Today in words. */
export function itemWords(found: TodayItem, units: HeadlineUnits): ItemWords {
  const { item, said, client, daysPast, report, checkInId } = found
  const headline = said && headlineFrom(said)
  const says = headline ? headlineText(headline, units) : ''
  const page = `/clients/${client.id}`
  const late =
    daysPast !== null && daysPast >= LATE_DAYS
      ? ` ${t('today.checkInOverdue', { count: daysPast })}`
      : ''
  const read = { action: t('today.readRecord'), to: page }
  const ease = client.hasPlan ? { action: t('today.easePlan'), to: `${page}/plan` } : read
  const result = { action: t('today.showResult'), to: `${page}/check-ins/${checkInId}` }
  const down = { mark: '▼', tone: 'text-clay' } as const
  switch (item) {
    case 'losing-lean':
      return { lead: t('today.losingLean'), rest: says + late, ...down, ...ease }
    case 'too-fast': {
      const percent = fixed(headline?.percentAWeek ?? 0, 1)
      const pace = headline?.since
        ? t('today.paceSince', { percent, day: formatDate(headline.since, true) })
        : t('today.pace', { percent })
      return { lead: t('today.losingTooFast'), rest: pace + late, ...down, ...ease }
    }
    case 'behind': {
      const by = said?.short ? shortText(said.short, units) : ''
      const plan = { action: t('today.lookAtPlan'), to: `${page}/plan` }
      return { lead: t('today.behindPlan'), rest: by + late, mark: '', tone: 'text-clay', ...plan }
    }
    case 'off-the-line':
      return {
        ...{
          lead: t('today.offLine'),
          mark: '',
          tone: 'text-clay',
          action: t('today.measureAgain'),
        },
        rest: t('today.lastCheckDoesNotFit'),
      }
    case 'fat-up':
      return {
        lead: t('today.creepingUp'),
        rest: says + late,
        mark: '▲',
        tone: 'text-clay',
        ...read,
      }
    case 'missed-twice':
      return {
        ...{
          lead: t('today.daysOverdue', { count: daysPast }),
          rest: t('today.twoCheckInsMissed'),
        },
        ...{ mark: '', tone: 'text-clay', ...read },
      }
    case 'weekly-report':
      return {
        ...{ lead: t('today.reportCame'), rest: '', mark: '', tone: 'text-ink' },
        ...{ action: t('today.readReport'), to: `${page}/reports` },
      }
    case 'report':
      return {
        ...{ lead: t('today.weighInsCame'), mark: '', tone: 'text-ink' },
        rest: t('today.weighInDays', {
          count: report!.days,
          mass: formatMass(report!.meanKg, units.mass),
        }),
        ...{ action: t('today.readThem'), to: `${page}/weigh-ins` },
      }
    case 'fat-down':
    case 'fat-down-lean-up':
      return { lead: says, rest: '', mark: '▼', tone: 'text-leaf', ...result }
    case 'lean-up':
      return { lead: says, rest: '', mark: '▲', tone: 'text-leaf', ...result }
  }
}
