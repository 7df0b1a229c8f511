import {
  basisOf,
  goalOf,
  isGirth,
  isoDateOf,
  isOtherSetup,
  isSkinfold,
  leadEquation,
  lengthIn,
  massIn,
  massOf,
  protocolOf,
  seriesBy,
  startOfPlan,
  sumGap,
  weeklyAverages,
  type Measured,
  type Quantity,
  type SiteId,
  isBone,
} from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { ClientRecord } from '#shared/contract/record'
import type { Curve } from './SeriesChart.vue'

type Subject = 'parts' | 'fatPercent' | 'sum' | 'equationSum' | 'mass' | SiteId

/** Not for a client who sees sums and girths only. */
const LEVELS: ReadonlySet<Subject> = new Set<Subject>(['parts', 'fatPercent', 'equationSum'])

/**
 * What can be shown over time of a client, and the curves of what is chosen.
 *
 * @param measured closed check-ins, oldest first
 * @param shown false for a client who sees sums and girths only
 */
export function useClientCurves(
  view: Ref<ClientRecord>,
  measured: Ref<(Measured & CheckInWithReadings)[]>,
  shown: Ref<boolean>,
) {
  const massUnit = useMassUnit()
  const lengthUnit = useLengthUnit()
  const { newest, sites, nameOfSite, sheets, followed, equationFolds } = useLedger(view, measured)

  /** What says most of the check-ins there are: no empty chart for a set that feeds no equation, or has no folds. */
  function first(): Subject {
    const now = newest.value
    if (shown.value && now && leadEquation(protocolOf(now), view.value.client.sex)) return 'parts'
    return followed.value || !now ? 'sum' : 'mass'
  }
  const subject = ref<Subject>(first())
  const subjects = computed(() => [
    ...(shown.value
      ? [
          { id: 'parts', name: t('curves.fatLeanMass') },
          { id: 'fatPercent', name: t('client.fat') },
        ]
      : []),
    ...(followed.value
      ? [
          {
            id: 'sum',
            name: foldSumName(
              followed.value.folds.map(({ site }) => site),
              followed.value.whole,
            ),
          },
        ]
      : []),
    ...(shown.value && equationFolds.value
      ? [{ id: 'equationSum', name: equationSumName(equationFolds.value) }]
      : []),
    { id: 'mass', name: t('curves.bodyMassEachDayWeek') },
    ...sites.value.map((site) => ({ id: site, name: nameOfSite(site) })),
  ])
  watch(shown, (may) => {
    if (!may && LEVELS.has(subject.value)) subject.value = first()
  })

  const basis = computed(() => newest.value && basisOf(view.value.client, newest.value))
  const byEquation = computed(() => LEVELS.has(subject.value))
  const gaps = computed(() => {
    if (subject.value === 'sum' && followed.value) {
      const { folds } = followed.value
      return measured.value.flatMap(({ id, measuredOn: on }, i) => {
        const gap = sumGap(sheets.value[i]!, folds)
        return gap ? [{ id, on, gap }] : []
      })
    }
    return basis.value && byEquation.value
      ? seriesBy(view.value.client, measured.value, basis.value).flatMap(({ checkIn, gap }) =>
          gap ? [{ id: checkIn.id, on: checkIn.measuredOn, gap }] : [],
        )
      : []
  })

  const bands = useBands(
    () => view.value,
    measured,
    () => followed.value,
  )
  /** The curves are worked out: until then there are days without a value. */
  const ready = computed(
    () => !(byEquation.value || subject.value === 'sum') || bands.value !== undefined,
  )

  /** One quantity over the check-ins, with the band of the measurement error. */
  function byCheckIn(
    quantity: Quantity,
    name: string,
    look: Omit<Curve, 'name' | 'points'>,
  ): Curve {
    const inMass = quantity === 'fatMass' || quantity === 'leanMass'
    const show = (v: number) => (inMass ? massIn(v, massUnit.value) : v)
    const points = measured.value.map((m) => {
      const band = bands.value?.get(m.id)?.[quantity]
      return {
        date: m.measuredOn,
        value: band ? show(band.value) : null,
        low: band && show(band.value - band.halfWidth),
        high: band && show(band.value + band.halfWidth),
        otherSetup: isOtherSetup(newest.value!, m),
      }
    })
    return { name, points, ...look }
  }

  const curves = computed<Curve[]>(() => {
    if (!basis.value) return []
    switch (subject.value) {
      case 'parts':
        return [
          byCheckIn('leanMass', 'lean', { color: LEAF, symbol: 'circle' }),
          byCheckIn('fatMass', 'fat', { color: AMBER, symbol: 'triangle', dash: 'dashed' }),
        ]
      case 'fatPercent':
        return [byCheckIn('fatPercent', 'fat %', { color: AMBER, symbol: 'triangle' })]
      case 'sum':
        return [byCheckIn('sum', 'sum', { color: OAK, symbol: 'circle' })]
      case 'equationSum':
        return [byCheckIn('equationSum', t('curves.sumEquation'), { color: OAK, symbol: 'circle' })]
      case 'mass':
        return massCurves()
      default:
        return [siteCurve(subject.value)]
    }
  })

  /** Each day's mass as loose points, and the average of each week through them. */
  function massCurves(): Curve[] {
    const taken = new Set(view.value.weighIns.map(({ date }) => date))
    const own = measured.value.flatMap(({ measuredOn: date, readings }) => {
      const kg = massOf(readings)
      return kg === undefined || taken.has(date) ? [] : [{ date, kg }]
    })
    const days = [...view.value.weighIns, ...own].sort((a, b) => (a.date < b.date ? -1 : 1))
    const show = (kg: number) => massIn(kg, massUnit.value)
    const today = isoDateOf(new Date())
    return [
      {
        ...{ name: t('curves.eachDay'), color: FADED, symbol: 'circle', loose: true },
        points: days.map(({ date, kg }) => ({ date, value: show(kg) })),
      },
      {
        ...{ name: 'week', color: OAK, symbol: 'rect' },
        points: weeklyAverages(days, view.value.client.weekEndsOn).map(({ to: end, kg }) => ({
          date: end > today ? today : end,
          value: show(kg),
        })),
      },
    ]
  }

  function siteCurve(site: SiteId): Curve {
    return {
      ...{ name: nameOfSite(site).toLowerCase(), color: OAK, symbol: 'circle' },
      points: measured.value.map((m, i) => {
        const value = sheets.value[i]!.sites[site]?.value
        const inUnit =
          value === undefined ? null : isSkinfold(site) ? value : lengthIn(value, lengthUnit.value)
        return { date: m.measuredOn, value: inUnit }
      }),
    }
  }

  const unit = computed(() => {
    const of = subject.value
    if (of === 'parts' || of === 'mass') return massUnit.value
    if (of === 'fatPercent') return '%'
    return of === 'sum' || of === 'equationSum' || isSkinfold(of) ? 'mm' : lengthUnit.value
  })

  /** What the plan in force asks of what is shown. */
  const goal = computed(() => {
    const plan = view.value.planInForce
    const of = subject.value === 'parts' ? ('fatMass' as const) : subject.value
    if (!plan || isSkinfold(of) || isBone(of)) return undefined
    const value = goalOf(of, plan.definition.goal, startOfPlan(view.value.client, plan))
    if (value === undefined) return undefined
    const inMass = of === 'fatMass' || of === 'mass'
    const shownAs = inMass
      ? massIn(value, massUnit.value)
      : isGirth(of)
        ? lengthIn(value, lengthUnit.value)
        : value
    const name = t(subject.value === 'parts' ? 'curves.goalFat' : 'curves.goal', {
      value: fixed(shownAs, 1),
    })
    return { name, value: shownAs }
  })

  return { subject, subjects, gaps, curves, ready, unit, goal }
}
