import { createInjectionState } from '@vueuse/core'
import { v4 as newId } from 'uuid'
import {
  adviseCadence,
  attempt,
  CADENCES,
  CM_PER_INCH,
  errorsOfNewest,
  fixed,
  GIRTH_IDS,
  isGirth,
  isOwnSite,
  isoDateOf,
  KG_PER_POUND,
  massOfStart,
  nextMeasuring,
  paceIn,
  planFrom,
  restingFormFor,
  safePlan,
  standingFindings,
  startOf,
  typedNumber,
  USUAL_DOUBT,
  type Clearance,
  type ClientRecordParts,
  type GirthId,
  type Goal,
  type GoalKind,
  type Measured,
  type Pace,
  type PaceUnit,
  type Person,
  type Purpose,
  type RestingForm,
  type ScreeningAnswers,
} from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { PlanDefinition } from '#shared/contract/plans'
import { usePlanBands } from './usePlanBands'

export const GOAL_KINDS_NAMED: { value: GoalKind; name: string; level?: boolean }[] = [
  { value: 'fatPercent', name: 'fat %', level: true },
  { value: 'fatMass', name: 'fat mass', level: true },
  { value: 'mass', name: 'body mass' },
  { value: 'sum', name: 'sum of folds' },
  { value: 'equationSum', name: 'the equation’s sum', level: true },
  { value: 'girth', name: 'a girth' },
  { value: 'holdLean', name: 'hold lean', level: true },
]

const PACE_NAMES: { value: PaceUnit; name: string; level?: boolean }[] = [
  { value: 'percentMass', name: '% of mass' },
  { value: 'kg', name: 'kg' },
  { value: 'lb', name: 'lb' },
  { value: 'fatPoints', name: 'points of fat %', level: true },
]

/** What the draft stands on. */
interface Ground {
  client: Ref<Person>
  /** Closed check-ins, oldest first. */
  measured: Ref<readonly (Measured & CheckInWithReadings)[]>
  /** The record that they are of. */
  record: Ref<ClientRecordParts | undefined>
  /** Of the private screening. */
  flags: Ref<ScreeningAnswers['flags']>
  training: ScreeningAnswers['training']
  /** What was cleared by whom. */
  clearances: Ref<readonly Clearance[]>
  /** Whether percentages may be on the screen. */
  shown: Ref<boolean>
}

const number = (text: string) => (text.trim() ? typedNumber(text.trim()) : undefined)

/** A plan while it is made: what the coach chose and typed, and everything that follows from it. */
function planDraft({
  client,
  measured,
  record,
  flags,
  clearances,
  training: trains,
  shown,
}: Ground) {
  const massUnit = useMassUnit()
  const lengthUnit = useLengthUnit()
  const today = isoDateOf(new Date())

  /** The body of the last check-in that has an estimate with a body mass. */
  const newest = computed(() =>
    measured.value.findLast((m) => startOf(client.value, m, today) !== undefined),
  )
  const start = computed(() => newest.value && startOf(client.value, newest.value, today))

  /* The wish. */
  const kinds = computed(() => {
    const { sum, equationSum } = start.value ?? {}
    // The equation's sum is another quantity only where the set has more folds than it adds up.
    const apart = equationSum && sum && equationSum.folds.length < sum.folds.length
    return GOAL_KINDS_NAMED.filter(
      ({ value, level }) =>
        (shown.value || !level) &&
        (value !== 'sum' || sum) &&
        (value !== 'equationSum' || apart || kind.value === value),
    )
  })
  const kind = ref<GoalKind>('mass')
  const goalText = ref('')
  const girths = computed(() => {
    const taken = start.value?.girthsCm ?? {}
    const own = Object.keys(taken).filter((site) => isOwnSite(site) && isGirth(site)) as GirthId[]
    return [...GIRTH_IDS, ...own].filter((girth) => taken[girth] !== undefined)
  })
  const girth = ref<GirthId>()
  const date = ref('')
  const peakWeek = ref(false)
  watch(shown, (may) => {
    if (!may && kinds.value.every(({ value }) => value !== kind.value)) kind.value = 'mass'
  })
  /** What one unit on the screen is of kg, cm, mm or %. */
  const scale = computed(() => {
    if (kind.value === 'fatMass' || kind.value === 'mass') {
      return massUnit.value === 'lb' ? KG_PER_POUND : 1
    }
    return kind.value === 'girth' && lengthUnit.value === 'in' ? CM_PER_INCH : 1
  })
  const goalUnit = computed(() => {
    const of = {
      fatPercent: '%',
      sum: 'mm',
      equationSum: 'mm',
      girth: lengthUnit.value,
      holdLean: '',
    } as const
    return kind.value === 'fatMass' || kind.value === 'mass' ? massUnit.value : of[kind.value]
  })
  const goal = computed<Goal>(() => {
    const value = number(goalText.value)
    return {
      kind: kind.value,
      ...(kind.value === 'holdLean' || value === undefined ? {} : { value: value * scale.value }),
      ...(kind.value === 'girth' ? { girth: girth.value ?? girths.value[0] } : {}),
      ...(date.value ? { date: date.value } : {}),
    }
  })
  const wished = computed(() => kind.value === 'holdLean' || goalText.value.trim() !== '')

  /* The pace. */
  const paceUnits = computed(() => PACE_NAMES.filter(({ level }) => shown.value || !level))
  const paceUnit = ref<PaceUnit>('percentMass')
  const paceText = ref('0.7')
  const pace = computed<Pace>(() => ({
    unit: paceUnit.value,
    value: number(paceText.value) ?? NaN,
  }))

  /* Energy. */
  const advised = computed(() => restingFormFor(trains))
  const form = ref<RestingForm>(advised.value?.form ?? 'lean')
  const activity = ref(1.55)
  const exerciseText = ref('')
  const exerciseKcal = computed(() => number(exerciseText.value))

  /* What stands against it. */
  const ground = computed(() => ({ flags: flags.value, clearances: clearances.value, today }))
  const safe = computed(() => {
    if (!start.value || !wished.value) return undefined
    const wish = {
      ...{ goal: goal.value, pace: pace.value, form: form.value, activity: activity.value },
      exerciseKcal: exerciseKcal.value,
    }
    const found = attempt(() => safePlan(wish, start.value!, ground.value))
    return found.ok && Number.isFinite(found.value.paceKg) ? found.value : undefined
  })
  const findings = computed(
    () => safe.value?.findings ?? (start.value ? standingFindings(start.value, ground.value) : []),
  )
  const stopped = computed(() =>
    findings.value.some(({ outcome }) => outcome === 'hold' || outcome === 'refused'),
  )

  const drafted = computed(
    () =>
      start.value &&
      planFrom(
        {
          ...{ goal: goal.value, wished: wished.value, pace: pace.value, form: form.value },
          ...{ activity: activity.value, peakWeek: peakWeek.value, stopped: stopped.value },
        },
        start.value,
        today,
      ),
  )
  const targets = computed(() => drafted.value?.targets)
  const paceKg = computed(() => drafted.value?.paceKg)
  const timeline = computed(() => drafted.value?.timeline)
  const energy = computed(() => drafted.value?.energy)
  const weeks = computed(() => drafted.value?.weeks ?? 0)
  const bandWords = computed(() => {
    if (!drafted.value || !start.value) return ''
    const { band } = drafted.value
    const show = (kg: number) => fixed(paceIn(kg, paceUnit.value, start.value!), 2)
    return `${show(band.slow)} to ${show(band.fast)} is the coaching band here; ${band.bound} ends it`
  })

  const { bands, progress, cancel, again } = usePlanBands(
    computed(() => {
      if (!start.value || !energy.value?.ok || !timeline.value || stopped.value) return undefined
      const { intakeKcal } = energy.value.value
      return {
        start: start.value,
        regime: { intakeKcal, activity: activity.value, form: form.value },
        weeks: weeks.value,
        doubt: { ...USUAL_DOUBT, fatPoints: start.value.standardError ?? 4 },
      }
    }),
  )

  /* How often to measure. */
  const purpose = ref<Purpose>('training')
  const purposes = (Object.keys(CADENCES) as Purpose[]).map((value) => ({
    value,
    name: CADENCES[value].name,
  }))
  /** Of the record, and not of what is typed: all of it is read for it. */
  const errors = computed(() => record.value && errorsOfNewest(record.value))
  const cadence = computed(() => {
    const next =
      errors.value &&
      nextMeasuring({
        errors: errors.value,
        massKg: start.value && massOfStart(start.value),
        fatPaceKg: paceKg.value?.ok ? paceKg.value.value : undefined,
      })
    return adviseCadence(purpose.value, next?.days)
  })

  const training = ref('strength')
  /** The draft as it would be kept; undefined while it is none. */
  const plan = computed(() => {
    if (!start.value || !newest.value || !energy.value?.ok || !timeline.value || stopped.value) {
      return undefined
    }
    const { fatKg, leanKg, standardError } = start.value
    const { intakeKcal, needKcal } = energy.value.value
    const definition: PlanDefinition = {
      ...{ goal: goal.value, pace: pace.value, form: form.value, activity: activity.value },
      exerciseKcal: exerciseKcal.value,
      ...{ training: training.value, purpose: purpose.value, peakWeek: peakWeek.value },
      ...{ intakeKcal, needKcal, weeks: weeks.value, checkInId: newest.value.id },
      ...{ fatKg, leanKg, standardError },
    }
    const { days: cadenceDays } = cadence.value
    return { id: newId(), startedOn: newest.value.measuredOn, definition, cadenceDays }
  })

  /** Takes the nearest plan that is allowed in place of one that is refused. */
  function takeNearest(): void {
    const { goal: to, pace: at } = safe.value!.nearest!
    kind.value = to.kind
    goalText.value =
      to.value === undefined ? '' : String(Number((to.value / scale.value).toFixed(2)))
    paceUnit.value = at.unit
    paceText.value = String(Number(at.value.toFixed(3)))
  }

  /** The same wish and pace as a plan before, from the body of the last check-in. */
  function takeOver(old: PlanDefinition): void {
    kind.value = old.goal.kind
    goalText.value =
      old.goal.value === undefined ? '' : String(Number((old.goal.value / scale.value).toFixed(2)))
    girth.value = old.goal.girth
    date.value = old.goal.date ?? ''
    paceUnit.value = old.pace.unit
    paceText.value = String(old.pace.value)
    ;({ form: form.value, activity: activity.value, peakWeek: peakWeek.value } = old)
    purpose.value = old.purpose
    training.value = old.training
  }

  return {
    ...{ today, newest, start, safe, findings, stopped, shown, takeNearest },
    ...{ kinds, kind, goalText, goalUnit, goal, girths, girth, date, peakWeek, targets },
    ...{ paceUnits, paceUnit, paceText, paceKg, bandWords, timeline, drafted, weeks },
    ...{ advised, form, activity, exerciseText, energy, bands, progress, cancel, again },
    ...{ purpose, purposes, cadence, training, plan, takeOver },
  }
}

const [provideDraft, injectDraft] = createInjectionState(planDraft)

/** Makes the draft of a page; its parts take it by `usePlanDraft`. */
export const providePlanDraft = provideDraft
/** The draft of the page that a part stands on. */
export const usePlanDraft = () => injectDraft()!
