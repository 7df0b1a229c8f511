import { createInjectionState } from '@vueuse/core'
import { v4 as newId } from 'uuid'
import {
  adviseCadence,
  attempt,
  daysTooOld,
  errorsOfNewest,
  goalStartOf,
  isoDateOf,
  massOfStart,
  nextMeasuring,
  paceAskedFor,
  paceIn,
  planFrom,
  safePlan,
  standingFindings,
  startOf,
  type Clearance,
  type EnergyPlan,
  type ClientRecordParts,
  type Measured,
  type Outcome,
  type Person,
  type ScreeningAnswers,
} from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { PlanDefinition } from '#shared/contract/plans'
import type { PlanDrawn } from './picture-panels'
import { usePlanWish, type TypedPlan } from './usePlanWish'

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
  /** Names of those who measure here, who took the newest check-in first. */
  testers: readonly string[]
  /** What was cleared by whom. */
  clearances: Ref<readonly Clearance[]>
  /** Whether percentages may be on the screen. */
  shown: Ref<boolean>
}

/** A plan while it is made: what the coach chose and typed, and everything that follows from it. */
function planDraft({
  client,
  measured,
  record,
  flags,
  clearances,
  training: trains,
  testers,
  shown,
}: Ground) {
  const today = isoDateOf(new Date())

  /** The body of the last check-in that has an estimate with a body mass. */
  const newest = computed(() =>
    measured.value.findLast((m) => startOf(client.value, m, today) !== undefined),
  )
  const start = computed(() => newest.value && startOf(client.value, newest.value, today))

  const fields = usePlanWish({
    ...{ start, shown, today, trains },
    checkInId: computed(() => newest.value?.id),
  })
  const { texts, startsOn, takeGoal, takePace } = fields
  const { goalTyped, goal, wished, peakWeek, paceUnit, paceTyped, pace, byDay, breaks } = fields
  const { form, activity, exerciseTyped, exerciseKcal, purpose, training, nutrients } = fields

  /* What stands against it. */
  const ground = computed(() => ({
    ...{ flags: flags.value, clearances: clearances.value, today: startsOn.value },
  }))
  const wish = computed(() => ({
    ...{ goal: goal.value, wished: wished.value, pace: pace.value, form: form.value },
    ...{ activity: activity.value, peakWeek: peakWeek.value, breaks: breaks.value },
  }))
  const safe = computed(() => {
    const at = start.value && paceAskedFor(wish.value, start.value, startsOn.value)
    if (!start.value || !wished.value || !at?.ok) return undefined
    const asked = { ...wish.value, pace: at.value, exerciseKcal: exerciseKcal.value }
    const found = attempt(() => safePlan(asked, start.value!, ground.value))
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
      planFrom({ ...wish.value, stopped: stopped.value }, start.value, startsOn.value),
  )
  const targets = computed(() => drafted.value?.targets)
  const paceKg = computed(() => drafted.value?.paceKg)
  const timeline = computed(() =>
    drafted.value?.timeline?.ok ? drafted.value.timeline.value : undefined,
  )
  const energy = computed(() => drafted.value?.energy)
  const weeks = computed(() => drafted.value?.weeks ?? 0)
  const bandWords = computed(() => {
    if (!drafted.value || !start.value) return ''
    const { band } = drafted.value
    const show = (kg: number) => fixed(paceIn(kg, paceUnit.value, start.value!), 2)
    return t('planner.usualSlowFastWeekLimit', {
      slow: show(band.slow),
      fast: show(band.fast),
      bound: band.bound,
    })
  })
  /** What makes no sense, by field. */
  const problems = computed<Partial<Record<keyof TypedPlan, string>>>(() => {
    const of = <T>(found: Outcome<T> | undefined) => (found && !found.ok ? found.error : undefined)
    const { timeline: line, pace: at } = drafted.value ?? {}
    const inputs = [of(targets.value), of(at), of(line), of(paceKg.value)].flatMap((e) => e ?? [])
    const by = (...names: string[]) => {
      const found = inputs.find(({ input }) => names.includes(input))
      return found && wordsOf(found)
    }
    const early = newest.value && startsOn.value < newest.value.measuredOn
    return {
      goal: goalTyped.value.problem ?? by('goal', 'girth'),
      pace: byDay.value ? by('pace') : (paceTyped.value.problem ?? by('pace')),
      date: by('date'),
      ...{ breakEvery: by('breakEvery'), breakWeeks: by('breakWeeks') },
      exercise: exerciseTyped.value.problem,
      startsOn: early
        ? refusalText(
            t('planner.startPlan'),
            startsOn.value,
            t('planner.measuredonDayItsCheckOr', { measuredOn: newest.value!.measuredOn }),
          )
        : undefined,
    }
  })
  const senseless = computed(() => Object.values(problems.value).some(Boolean))
  /** Days by which the body that it starts from is too old. */
  const tooOld = computed(() =>
    newest.value ? daysTooOld(newest.value.measuredOn, startsOn.value) : 0,
  )

  /** What is eaten for it: the last that made sense while something is typed, nothing where something stands against it. */
  const eatenNow = computed<EnergyPlan | undefined>((old) =>
    stopped.value
      ? undefined
      : timeline.value && energy.value?.ok
        ? energy.value.value
        : wished.value || goalTyped.value.problem
          ? old
          : undefined,
  )
  const pictureNow = computed<PlanDrawn | undefined>((old) =>
    start.value && timeline.value && drafted.value?.regime && !stopped.value
      ? {
          ...{ start: start.value, goal: goal.value, startedOn: startsOn.value },
          ...{ weeks: timeline.value.weeks || weeks.value, breaks: breaks.value },
          regime: drafted.value.regime,
        }
      : eatenNow.value && old,
  )

  // What is looked at after the wish itself is shown after it, so that a key between is answered.
  const eaten = useLater(eatenNow, 1)
  const picture = useLater(pictureNow, 2)

  /* How often to measure. */
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

  const madeBy = ref(testers[0] ?? '')
  /** The draft as it would be kept, or put on record as refused; undefined while it is none. */
  const plan = computed(() => {
    const { pace: at, energy: kcal } = drafted.value ?? {}
    if (!start.value || !newest.value || !at?.ok || !kcal?.ok || !timeline.value) return undefined
    const { fatKg, leanKg, standardError } = start.value
    const { intakeKcal, needKcal } = kcal.value
    const definition: PlanDefinition = {
      ...{ goal: goal.value, pace: at.value, form: form.value, activity: activity.value },
      ...(byDay.value && texts.date ? { byDay: true } : {}),
      ...(breaks.value ? { breaks: breaks.value } : {}),
      ...{ goalStart: goalStartOf(goal.value, start.value), exerciseKcal: exerciseKcal.value },
      ...{ training: training.value, purpose: purpose.value, peakWeek: peakWeek.value },
      ...(nutrients.value ? { nutrients: nutrients.value } : {}),
      ...{ intakeKcal, needKcal, weeks: timeline.value.weeks || weeks.value },
      ...{ checkInId: newest.value.id, fatKg, leanKg, standardError },
    }
    const { days: cadenceDays } = cadence.value
    const by = madeBy.value.trim()
    return {
      ...{ id: newId(), startedOn: startsOn.value, definition, cadenceDays },
      ...(by ? { madeBy: by } : {}),
    }
  })
  /** Whether it may be kept: nothing stands against it, and its day can be reached. */
  const keepable = computed(
    () =>
      plan.value !== undefined &&
      !stopped.value &&
      !senseless.value &&
      timeline.value?.verdict !== 'not feasible',
  )

  /** Takes the nearest plan that is allowed in place of one that is refused. */
  function takeNearest(): void {
    const { goal: to, pace: at } = safe.value!.nearest!
    takeGoal(to)
    takePace(at)
  }
  /** Moves the day to the first that is safe, or takes the pace that the day asks for. */
  function takeEarliest(): void {
    texts.date = timeline.value!.earliest
    byDay.value = true
  }
  function takeDayPace(): void {
    byDay.value = true
  }

  return {
    ...fields,
    ...{ today, newest, start, safe, findings, stopped, shown, tooOld, problems, targets },
    ...{ takeNearest, takeEarliest, takeDayPace, paceKg, bandWords, timeline, drafted },
    ...{ energy, eaten, picture, weeks, cadence, madeBy, testers, plan, keepable },
  }
}

const [provideDraft, injectDraft] = createInjectionState(planDraft)

/** Makes the draft of a page; its parts take it by `usePlanDraft`. */
export const providePlanDraft = provideDraft
/** The draft of the page that a part stands on. */
export const usePlanDraft = () => injectDraft()!
