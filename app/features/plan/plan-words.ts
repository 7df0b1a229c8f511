import {
  ACTIVITIES,
  dayOf,
  fixed,
  formatDate,
  formatLength,
  formatMass,
  kgAWeek,
  mealOf,
  nameOf,
  PACE_UNIT_WORDS,
  paceMeans,
  RESTING_FORMS,
  dayAfterWeeks,
  attempt,
  type Breaks,
  type DayWish,
  type Goal,
  type GoalKind,
  type NutrientPlan,
  type Pace,
  type PaceUnit,
  type Phase,
  type SafetyFinding,
  type StartingPoint,
  type IsoDate,
  type Measured,
  type Person,
  startOf,
  startOfPlan,
  timelineOf,
} from '#core'
import type { Plan, PlanDefinition } from '#shared/contract/plans'
import type { ShownUnits } from '../client/record-words'

/** Goals in the coach's words; `level` marks those that speak of what a body is made of. */
export const GOAL_KINDS_NAMED: { value: GoalKind; name: string; level?: boolean }[] = [
  { value: 'loseMass', name: 'lose weight' },
  { value: 'mass', name: 'a body weight' },
  { value: 'fatPercent', name: 'fat %', level: true },
  { value: 'fatMass', name: 'fat mass', level: true },
  { value: 'girth', name: 'a waist or girth' },
  { value: 'sum', name: 'sum of folds' },
  { value: 'equationSum', name: 'the equation’s sum', level: true },
  { value: 'gainLean', name: 'gain lean', level: true },
  { value: 'holdLean', name: 'hold', level: true },
]

export const PACE_NAMES: { value: PaceUnit; name: string; level?: boolean }[] = [
  { value: 'percentMass', name: '% of mass' },
  { value: 'kg', name: 'kg' },
  { value: 'lb', name: 'lb' },
  { value: 'fatPoints', name: 'points of fat %', level: true },
]

/** How a coach's plan is shown. */
export interface PlanShown {
  units: ShownUnits
  /** False for a client who sees sums and girths only. */
  shown: boolean
}

/** A goal without its day. */
export function goalText(
  { kind, value, girth, occasion }: Goal,
  { units, shown }: PlanShown,
): string {
  if (!shown && GOAL_KINDS_NAMED.find((named) => named.value === kind)!.level) return 'A goal'
  const mass = () => formatMass(value!, units.mass)
  switch (kind) {
    case 'loseMass':
      return `Lose ${mass()}`
    case 'mass':
      return occasion === 'weigh-in' ? `At most ${mass()}` : `Body weight ${mass()}`
    case 'fatPercent':
      return `${fixed(value!, 1)}% fat`
    case 'fatMass':
      return `Fat mass ${mass()}`
    case 'girth':
      return `${nameOf(girth!)} to ${formatLength(value!, units.length)}`
    case 'sum':
      return `Sum of folds ${fixed(value!, 1)} mm`
    case 'equationSum':
      return `The equation’s sum ${fixed(value!, 1)} mm`
    case 'gainLean':
      return `Gain ${mass()} of lean`
    default:
      return 'Hold what is there'
  }
}

/** The day of a goal, in words that go on a sentence. */
export function dayText({ date, occasion }: Goal): string {
  if (!date) return ''
  const on = formatDate(date, true)
  if (occasion === 'stage') return `on stage on ${on}`
  return occasion === 'weigh-in' ? `at the weigh-in on ${on}` : `by ${on}`
}

/** A goal with its day. */
export const goalWithDay = (goal: Goal, how: PlanShown) =>
  [goalText(goal, how), dayText(goal)].filter(Boolean).join(' ')

/** A pace as it was asked for. */
export const paceText = ({ value, unit }: Pace) =>
  `${Number(value.toFixed(2))}${PACE_UNIT_WORDS[unit][0]} a week`

/** What a pace means, besides how it was asked for. */
export function paceMeansText(
  kg: number,
  body: { fatKg: number; leanKg: number },
  unit: 'kg' | 'lb',
) {
  const { percentAWeek, gramsADay, kcalADay } = paceMeans(kg, body)
  return `${formatMass(kg, unit, 2)} or ${fixed(percentAWeek, 2)}% a week: ${fixed(gramsADay, 0)} g and about ${fixed(kcalADay, 0)} kcal a day`
}

export const breaksText = (breaks: Breaks | undefined) =>
  breaks
    ? `after every ${breaks.every} weeks ${breaks.weeks === 1 ? 'one week' : `${breaks.weeks} weeks`} at maintenance`
    : 'none'

const grams = (value: number) => `${fixed(value, 0)} g`
const dayGrams = ({ protein, carbohydrate, fat }: NutrientPlan['parts']) =>
  `protein ${grams(protein.grams)}, carbohydrate ${grams(carbohydrate.grams)}, fat ${grams(fat.grams)}`

/** The nutrients of a kept plan, of the day and of a meal; undefined where none were kept. */
export function nutrientsOf({ nutrients, intakeKcal, fatKg, leanKg }: PlanDefinition) {
  if (!nutrients) return undefined
  const massKg = fatKg + leanKg
  const found = attempt(() => {
    const day = dayOf(nutrients as DayWish, { kcal: intakeKcal, massKg, leanKg })
    return { day, meal: mealOf(day, nutrients.meals, massKg), ...nutrients }
  })
  return found.ok ? found.value : undefined
}

/** A plan as far as what it asks for goes. */
type PlanAsMade = Pick<Plan, 'startedOn' | 'definition'>

export interface PlanFact {
  name: string
  value: string
}

/** What a plan asks for, a line each: read on its page and on its sheet, and compared with another version. */
export function planFacts(plan: PlanAsMade, how: PlanShown): PlanFact[] {
  const { startedOn, definition: d } = plan
  const { units, shown } = how
  const held = d.goal.kind === 'holdLean'
  const ofDay = nutrientsOf(d)
  const mass = (kg: number) => formatMass(kg, units.mass)
  const lines: [name: string, value: string | undefined][] = [
    ['Goal', goalWithDay(d.goal, how)],
    ['Starts', formatDate(startedOn, true)],
    ['Weight at the start', mass(d.fatKg + d.leanKg)],
    ['Fat and lean at the start', shown ? `${mass(d.fatKg)} and ${mass(d.leanKg)}` : undefined],
    ['Pace', held ? undefined : `${paceText(d.pace)}${d.byDay ? ', as the day asks' : ''}`],
    ['Breaks', held ? undefined : breaksText(d.breaks)],
    [
      'Ends',
      held
        ? undefined
        : `about ${formatDate(endOfPlan({ startedOn, definition: d }), true)}, after ${fixed(d.weeks, 0)} weeks`,
    ],
    [
      'Food',
      shown
        ? `${fixed(d.intakeKcal, 0)} kcal a day (maintenance ${fixed(d.needKcal, 0)})`
        : undefined,
    ],
    ['Nutrients of a day', shown && ofDay ? dayGrams(ofDay.day.parts) : undefined],
    ['Meals', shown && ofDay ? `${ofDay.meals} a day, ${ofDay.diet}` : undefined],
    [
      'Last week before the day',
      d.goal.date ? (d.peakWeek ? 'kept free' : 'like the others') : undefined,
    ],
  ]
  return lines.flatMap(([name, value]) => (value === undefined ? [] : [{ name, value }]))
}

/** What a plan takes for granted, a line each. */
export function planAssumptions({ definition: d }: Pick<Plan, 'definition'>): PlanFact[] {
  const activity = ACTIVITIES.find(({ factor }) => factor === d.activity)
  const lines: [name: string, value: string | undefined][] = [
    ['Resting need', `${RESTING_FORMS[d.form].name} (${RESTING_FORMS[d.form].source})`],
    ['Activity', `${d.activity}${activity ? `, ${activity.name}` : ''}`],
    [
      'Exercise a day',
      d.exerciseKcal === undefined ? undefined : `${fixed(d.exerciseKcal, 0)} kcal`,
    ],
    ['A kilogram of body mass', '7716 kcal (3500 a pound), the static rule'],
    ['Lean on the way', 'between held and the Forbes relation'],
    [
      'The estimate',
      d.standardError === null
        ? 'error not stated, taken as 4 points'
        : `± ${fixed(d.standardError, 1)} points of fat %`,
    ],
    [
      'The band of the picture',
      '10,000 simulated outcomes over the estimate, activity (± 0.08), food really eaten (± 7%) and lean',
    ],
  ]
  return lines.flatMap(([name, value]) => (value === undefined ? [] : [{ name, value }]))
}

/** For a client who sees sums and girths only: the same without a word of what a body is made of. */
const QUIET = {
  refused: 'This is lower than what is planned here.',
  hold: 'This goal waits until it is cleared.',
  caution: 'Talk about how far this should go before it starts.',
} as const

/** What a rule says of a plan, to whom it may be said. */
export const findingText = (
  { words, outcome }: Pick<SafetyFinding, 'words' | 'outcome'>,
  shown: boolean,
) => (shown || !/\bfat\b|\blean\b|%/i.test(words) ? words : QUIET[outcome])

export interface PlanDifference {
  name: string
  was: string
  now: string
}

/** What differs between two versions of a plan, line by line. */
export function planDifferences(
  was: PlanAsMade,
  now: PlanAsMade,
  how: PlanShown,
): PlanDifference[] {
  const [before, after] = [was, now].map(
    (plan) =>
      new Map(
        [...planFacts(plan, how), ...(how.shown ? planAssumptions(plan) : [])].map((f) => [
          f.name,
          f.value,
        ]),
      ),
  ) as [Map<string, string>, Map<string, string>]
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((name) => {
    const [a, b] = [before.get(name) ?? 'not said', after.get(name) ?? 'not said']
    return a === b ? [] : [{ name, was: a, now: b }]
  })
}

/** kg of body mass a week that a kept plan goes. */
export const paceKgOf = ({ pace, fatKg, leanKg }: PlanDefinition) =>
  kgAWeek(pace, { fatKg, leanKg })

/** The day of an instant of the record, in words. */
export const dayOfInstant = (instant: string) => formatDate(instant.slice(0, 10), true)

/** A plan's own number among the versions of it: 1 for the first. */
export function versionOf(plan: Plan, all: readonly Plan[]): number {
  const before = plan.changes && all.find(({ id }) => id === plan.changes)
  return before ? versionOf(before, all) + 1 : 1
}

/** The phases of a kept plan, worked out anew from what it was made of; none where it makes no sense any more. */
export function phasesOfPlan({ startedOn, definition: d }: Plan, start: StartingPoint): Phase[] {
  const { goal, pace, peakWeek, breaks } = d
  const found = attempt(() => timelineOf(goal, start, pace, startedOn, { peakWeek, breaks }))
  return found.ok ? found.value.phases : []
}

/** The body that a kept plan starts from, with the girths and sums of its check-in where that is on record. */
export function startOfKept(
  person: Person,
  plan: Plan,
  measured: readonly (Measured & { id: string })[],
): StartingPoint {
  const checkIn = measured.find(({ id }) => id === plan.definition.checkInId)
  const read = checkIn && startOf(person, checkIn, plan.startedOn)
  return { ...read, ...startOfPlan(person, plan) }
}

/** The day that a plan's way ends on. */
export const endOfPlan = ({
  startedOn,
  definition: { weeks },
}: Pick<Plan, 'startedOn' | 'definition'>): IsoDate => dayAfterWeeks(startedOn, weeks)
