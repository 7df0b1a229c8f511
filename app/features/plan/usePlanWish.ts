import {
  CADENCES,
  CM_PER_INCH,
  GIRTH_IDS,
  isGirth,
  isOwnSite,
  KG_PER_POUND,
  leftOf,
  MOST_EXERCISE_KCAL,
  plainText,
  restingFormFor,
  typedNumber,
  type Breaks,
  type DayWish,
  type GirthId,
  type Goal,
  type GoalKind,
  type GoalOccasion,
  type IsoDate,
  type Pace,
  type PaceUnit,
  type Purpose,
  type RestingForm,
  type ScreeningAnswers,
  type StartingPoint,
} from '#core'
import type { Plan } from '#shared/contract/plans'
import { goalKindsNamed, pacesNamed } from './plan-words'

/** What is typed, as it stands in the fields. */
export interface TypedPlan {
  goal: string
  pace: string
  exercise: string
  breakEvery: string
  breakWeeks: string
  startsOn: string
  date: string
}
/** A number that was typed: NaN, and what to say, where it is none; undefined where nothing was. */
function typed(text: string, label: string): { value?: number; problem?: string } {
  if (!text.trim()) return {}
  const value = typedNumber(plainText(text))
  return value === undefined
    ? { value: NaN, problem: refusalText(label, text.trim(), t('planner.numberSuchAs585')) }
    : { value }
}
const shortNumber = (value: number, digits: number) => String(Number(value.toFixed(digits)))
const MASS_GOALS: readonly GoalKind[] = ['loseMass', 'mass', 'fatMass', 'gainLean']

/** What the fields of the planner stand on. */
interface FieldsOf {
  start: Ref<StartingPoint | undefined>
  /** Id of the check-in that it starts from. */
  checkInId: Ref<string | undefined>
  shown: Ref<boolean>
  today: IsoDate
  trains: ScreeningAnswers['training']
}

/** The fields of the planner, and what is wished for by what they say. */
export function usePlanWish({ start, checkInId, shown, today, trains }: FieldsOf) {
  const massUnit = useMassUnit()
  const lengthUnit = useLengthUnit()

  /* The wish. */
  const kinds = computed(() => {
    const { sum, equationSum } = start.value ?? {}
    // The equation's sum is another quantity only where the set has more folds than it adds up.
    const apart = equationSum && sum && equationSum.folds.length < sum.folds.length
    return goalKindsNamed().filter(
      ({ value, level }) =>
        (shown.value || !level) &&
        (value !== 'sum' || sum) &&
        (value !== 'equationSum' || apart || kind.value === value),
    )
  })
  const kind = ref<GoalKind>('mass')
  const texts = reactive<TypedPlan>({
    ...{ goal: '', pace: '0.7', exercise: '', breakEvery: '8', breakWeeks: '2' },
    ...{ startsOn: today, date: '' },
  })
  const girths = computed(() => {
    const taken = start.value?.girthsCm ?? {}
    const own = Object.keys(taken).filter((site) => isOwnSite(site) && isGirth(site)) as GirthId[]
    return [...GIRTH_IDS, ...own].filter((girth) => taken[girth] !== undefined)
  })
  const girth = ref<GirthId>()
  const occasion = ref<GoalOccasion | 'day'>('day')
  const peakWeek = ref(false)
  watch(shown, (may) => {
    if (!may && kinds.value.every(({ value }) => value !== kind.value)) kind.value = 'mass'
  })
  const isMass = computed(() => MASS_GOALS.includes(kind.value))
  /** What one unit on the screen is of kg, cm, mm or %. */
  const scale = computed(() => {
    if (isMass.value) {
      return massUnit.value === 'lb' ? KG_PER_POUND : 1
    }
    return kind.value === 'girth' && lengthUnit.value === 'in' ? CM_PER_INCH : 1
  })
  const goalUnit = computed(() => {
    if (isMass.value) return massUnit.value
    if (kind.value === 'girth') return lengthUnit.value
    return kind.value === 'fatPercent' ? '%' : 'mm'
  })
  const goalTyped = computed(() => typed(texts.goal, t('plan.goal')))
  const goal = computed<Goal>(() => {
    const { value } = goalTyped.value
    return {
      kind: kind.value,
      ...(kind.value === 'holdLean' || value === undefined ? {} : { value: value * scale.value }),
      ...(kind.value === 'girth' ? { girth: girth.value ?? girths.value[0] } : {}),
      ...(texts.date ? { date: texts.date } : {}),
      ...(texts.date && occasion.value !== 'day' ? { occasion: occasion.value } : {}),
    }
  })
  const wished = computed(
    () => kind.value === 'holdLean' || (texts.goal.trim() !== '' && !goalTyped.value.problem),
  )
  /** The day that it starts on: not before its body was measured. */
  const startsOn = computed(() => texts.startsOn || today)

  /* The pace. */
  const paceUnits = computed(() => pacesNamed().filter(({ level }) => shown.value || !level))
  const paceUnit = ref<PaceUnit>('percentMass')
  const byDay = ref(false)
  const paceTyped = computed(() => typed(texts.pace, t('plan.pace')))
  const pace = computed<Pace | undefined>(() =>
    byDay.value && texts.date
      ? undefined
      : { unit: paceUnit.value, value: paceTyped.value.value ?? NaN },
  )
  const withBreaks = ref(false)
  const breaks = computed<Breaks | undefined>(() =>
    withBreaks.value
      ? {
          every: typed(texts.breakEvery, '').value ?? NaN,
          weeks: typed(texts.breakWeeks, '').value ?? NaN,
        }
      : undefined,
  )

  /* Energy. */
  const advised = computed(() => restingFormFor(trains))
  const form = ref<RestingForm>(advised.value?.form ?? 'lean')
  const activity = ref(1.55)
  const exerciseTyped = computed(() => {
    const found = typed(texts.exercise, t('plan.exerciseDay'))
    const { value = 0, problem } = found
    return problem === undefined && (value < 0 || value > MOST_EXERCISE_KCAL)
      ? {
          problem: refusalText(
            t('plan.exerciseDay'),
            value,
            t('planner.kcalUpTo', { most: MOST_EXERCISE_KCAL }),
          ),
        }
      : found
  })
  const exerciseKcal = computed(() =>
    exerciseTyped.value.problem === undefined ? exerciseTyped.value.value : undefined,
  )

  /* What it is for. */
  const purpose = ref<Purpose>('training')
  const purposes = (Object.keys(CADENCES) as Purpose[]).map((value) => ({
    value,
    name: tell(CADENCES[value].name),
  }))
  const training = ref('strength')
  const nutrients = ref<DayWish>()

  function takeGoal(to: Goal): void {
    kind.value = to.kind
    texts.goal = to.value === undefined ? '' : shortNumber(to.value / scale.value, 2)
  }
  function takePace(at: Pace): void {
    byDay.value = false
    paceUnit.value = at.unit
    texts.pace = shortNumber(at.value, 3)
  }

  /** Everything that was asked for in a plan, from the body of the newest check-in. */
  function takeOver({ startedOn, definition: old }: Pick<Plan, 'startedOn' | 'definition'>): void {
    // Of what was to be lost or gained, so much as is left from here.
    const { goal: to } = old
    takeGoal(start.value ? leftOf(to, old, start.value) : to)
    girth.value = old.goal.girth
    texts.date = old.goal.date ?? ''
    occasion.value = old.goal.occasion ?? 'day'
    takePace(old.pace)
    byDay.value = old.byDay ?? false
    withBreaks.value = old.breaks !== undefined
    if (old.breaks) {
      texts.breakEvery = String(old.breaks.every)
      texts.breakWeeks = String(old.breaks.weeks)
    }
    texts.exercise = old.exerciseKcal === undefined ? '' : String(old.exerciseKcal)
    ;({ form: form.value, activity: activity.value, peakWeek: peakWeek.value } = old)
    purpose.value = old.purpose
    training.value = old.training
    nutrients.value = old.nutrients as DayWish | undefined
    // From the same body the plan goes on from its own start; from a new one it starts today.
    texts.startsOn = old.checkInId === checkInId.value ? startedOn : today
  }

  return {
    ...{ texts, startsOn, takeGoal, takePace, takeOver },
    ...{ kinds, kind, goalUnit, goalTyped, goal, wished, girths, girth, occasion, peakWeek },
    ...{ paceUnits, paceUnit, paceTyped, pace, byDay, withBreaks, breaks },
    ...{ advised, form, activity, exerciseTyped, exerciseKcal },
    ...{ purpose, purposes, training, nutrients },
  }
}
