import { mean } from 'simple-statistics'
import { daysBetween, meanGirths, type IsoDate, type ShownUnits } from '#core'
import type { ReportContent, WeeklyReport } from '#shared/contract/weekly-reports'

/** One line of a report beside the report before it. */
export interface ReportLine {
  name: string
  now: string
  before: string
  /** Worth a second look. */
  odd: boolean
}

const meanKg = ({ weights }: ReportContent): number | undefined =>
  weights.length ? mean(weights.map(({ kg }) => kg)) : undefined

/** Beyond which a week's change is looked at twice: a share of the mass, and of a girth. Judgement. */
const ODD_MASS = 0.03
const ODD_GIRTH = 0.04

const isOdd = (now: number | undefined, before: number | undefined, share: number) =>
  now !== undefined && before !== undefined && Math.abs(now / before - 1) > share

/** What a report says, line by line, beside the one before it. */
export function reportLines(
  report: WeeklyReport,
  before: WeeklyReport | undefined,
  units: ShownUnits,
): ReportLine[] {
  const none = '–'
  const mass = (kg: number | undefined) => (kg === undefined ? none : formatMass(kg, units.mass))
  const [kg, kgBefore] = [meanKg(report.content), before && meanKg(before.content)]
  const [girths, girthsBefore] = [
    meanGirths(report.content.girths),
    before && meanGirths(before.content.girths),
  ]
  const { feelings } = report.content
  const felt = before?.content.feelings ?? {}
  return [
    {
      name: t('weeklyReports.meanWeight', { count: report.content.weights.length }),
      ...{ now: mass(kg), before: mass(kgBefore), odd: isOdd(kg, kgBefore, ODD_MASS) },
    },
    ...[...girths].map(([girth, cm]) => {
      const was = girthsBefore?.get(girth)
      return {
        name: nameOf(girth),
        now: formatLength(cm, units.length),
        before: was === undefined ? none : formatLength(was, units.length),
        odd: isOdd(cm, was, ODD_GIRTH),
      }
    }),
    ...(['hunger', 'sleep', 'steps', 'sessions'] as const).flatMap((name) =>
      feelings[name] === undefined
        ? []
        : [
            {
              name: t(`weeklyReports.feelings.${name}`),
              now: whole(feelings[name]),
              before: felt[name] === undefined ? none : whole(felt[name]),
              odd: false,
            },
          ],
    ),
  ]
}

/** The report of the week before: the latest one that ends at least so many days earlier. */
export const reportBefore = (
  all: readonly WeeklyReport[],
  { endsOn, id }: WeeklyReport,
): WeeklyReport | undefined =>
  all.find(
    (other) =>
      other.id !== id && other.state !== 'set aside' && daysBetween(other.endsOn, endsOn) > 0,
  )

/** A report's days in words, as they were typed. */
export const reportDay = (date: IsoDate): string => `${weekdayText(date)} ${formatDate(date)}`
