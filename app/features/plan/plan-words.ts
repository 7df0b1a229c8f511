import {
  ACTIVITIES,
  goalDaySaid,
  GOALS_OF_LEVEL,
  goalSaid,
  attempt,
  nutrientsOfPlan,
  GOAL_KINDS,
  PACE_UNITS,
  kgAWeek,
  paceMeans,
  RESTING_FORMS,
  dayAfterWeeks,
  startOf,
  startOfPlan,
  timelineOf,
  RULES_OF_FAT,
} from '#core'
import type { Plan, PlanDefinition } from '#shared/contract/plans'
import type {
  ShownUnits,
  MealsWish,
  Breaks,
  Goal,
  GoalKind,
  NutrientPlan,
  Pace,
  PaceUnit,
  Phase,
  SafetyFinding,
  StartingPoint,
  IsoDate,
  Measured,
  Person,
  Words,
} from '#core'

/** Those that speak of what a body is made of. */
const OF_LEVEL = new Set<GoalKind | PaceUnit>([...GOALS_OF_LEVEL, 'fatPoints'])
/** Goals and paces in the coach's words; `level` marks those. */
const named = <T extends GoalKind | PaceUnit>(values: readonly T[], name: (value: T) => string) =>
  values.map((value) => ({ value, name: name(value), level: OF_LEVEL.has(value) }))
export const goalKindsNamed = () => named(GOAL_KINDS, (kind) => t(`plan.goalKinds.${kind}`))
export const pacesNamed = () => named(PACE_UNITS, (unit) => t(`plan.paceUnits.${unit}`))

/** How a coach's plan is shown. */
export interface PlanShown {
  units: ShownUnits
  /** False for a client who sees sums and girths only. */
  shown: boolean
}

/** A goal without its day. */
export const goalText = (goal: Goal, how: PlanShown): string => tell(goalSaid(goal, how))

/** The day of a goal, in words that go on a sentence. */
export const dayText = (goal: Goal): string => tell(goalDaySaid(goal))

/** A goal with its day. */
export const goalWithDay = (goal: Goal, how: PlanShown) =>
  [goalText(goal, how), dayText(goal)].filter(Boolean).join(' ')

/** A pace as it was asked for. */
export const paceText = ({ value, unit }: Pace) =>
  t(`plan.paces.${unit}`, { value: Number(value.toFixed(2)) })

/** What a pace means, besides how it was asked for. */
export function paceMeansText(
  kg: number,
  body: { fatKg: number; leanKg: number },
  unit: 'kg' | 'lb',
) {
  const { percentAWeek, gramsADay, kcalADay } = paceMeans(kg, body)
  return t('plan.paceMeans', {
    mass: formatMass(kg, unit, 2),
    percent: fixed(percentAWeek, 2),
    grams: fixed(gramsADay, 0),
    kcal: whole(kcalADay),
  })
}

export const breaksText = (breaks: Breaks | undefined) =>
  breaks ? t('plan.breaksEvery', { every: breaks.every, count: breaks.weeks }) : t('plan.none')

const dayGrams = ({ protein, carbohydrate, fat }: NutrientPlan['parts']) =>
  t('plan.dayGrams', {
    protein: fixed(protein.grams, 0),
    carbohydrate: fixed(carbohydrate.grams, 0),
    fat: fixed(fat.grams, 0),
  })

/** Who cleared a hold, and when. */
export const clearedText = ({ by, on }: { by: string; on: IsoDate }): string =>
  t('plan.cleared', { by, on: formatDate(on, true) })

/** The nutrients of a kept plan, of the day and of a meal; undefined where none were kept. */
export const nutrientsOf = ({ nutrients, ...plan }: PlanDefinition) =>
  nutrientsOfPlan({ ...plan, nutrients: nutrients as MealsWish | undefined })

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
    [t('plan.goal'), goalWithDay(d.goal, how)],
    [t('plan.starts'), formatDate(startedOn, true)],
    [t('plan.weightAtStart'), mass(d.fatKg + d.leanKg)],
    [
      t('plan.fatLeanAtStart'),
      shown ? t('plan.fatAndLean', { fat: mass(d.fatKg), lean: mass(d.leanKg) }) : undefined,
    ],
    [
      t('plan.pace'),
      held
        ? undefined
        : d.byDay
          ? t('plan.paceByDay', { pace: paceText(d.pace) })
          : paceText(d.pace),
    ],
    [t('plan.breaks'), held ? undefined : breaksText(d.breaks)],
    [
      t('plan.ends'),
      held
        ? undefined
        : t('plan.endsAbout', {
            day: formatDate(endOfPlan({ startedOn, definition: d }), true),
            count: Math.round(d.weeks),
          }),
    ],
    [
      t('plan.food'),
      shown
        ? t('plan.foodLine', { kcal: whole(d.intakeKcal), need: whole(d.needKcal) })
        : undefined,
    ],
    [t('plan.nutrientsDay'), shown && ofDay ? dayGrams(ofDay.day.parts) : undefined],
    [
      t('plan.meals'),
      shown && ofDay ? t('plan.mealsLine', { count: ofDay.meals, diet: ofDay.diet }) : undefined,
    ],
    [
      t('plan.lastWeekBeforeDay'),
      d.goal.date ? (d.peakWeek ? t('plan.keptFree') : t('plan.likeOthers')) : undefined,
    ],
  ]
  return lines.flatMap(([name, value]) => (value === undefined ? [] : [{ name, value }]))
}

/** What a plan takes for granted, a line each. */
export function planAssumptions({ definition: d }: Pick<Plan, 'definition'>): PlanFact[] {
  const activity = ACTIVITIES.find(({ factor }) => factor === d.activity)
  const lines: [name: string, value: string | undefined][] = [
    [
      t('plan.restingNeed'),
      `${tell(RESTING_FORMS[d.form].name)} (${tell(RESTING_FORMS[d.form].source)})`,
    ],
    [t('plan.activity'), `${d.activity}${activity ? `, ${tell(activity.name)}` : ''}`],
    [
      t('plan.exerciseDay'),
      d.exerciseKcal === undefined
        ? undefined
        : t('plan.exerciseKcal', { kcal: whole(d.exerciseKcal) }),
    ],
    [t('plan.kilogramBodyMass'), t('plan.n7716Kcal3500PoundStatic')],
    [t('plan.leanWay'), t('plan.betweenHeldForbesRelation')],
    [
      t('plan.estimate'),
      d.standardError === null
        ? t('plan.errorNotStatedTakenAs')
        : t('plan.errorPoints', { error: fixed(d.standardError, 1) }),
    ],
    [t('plan.bandPicture'), t('plan.n10000SimulatedOutcomesOver2')],
  ]
  return lines.flatMap(([name, value]) => (value === undefined ? [] : [{ name, value }]))
}

/** For a client who sees sums and girths only: the same without a word of what a body is made of. */
const QUIET = {
  refused: 'plan.quiet.refused',
  hold: 'plan.quiet.hold',
  caution: 'plan.quiet.caution',
} as const

/** What a rule says of a plan, to whom it may be said. */
export const findingText = (
  { rule, words, outcome }: { rule: string; words: Words; outcome: SafetyFinding['outcome'] },
  shown: boolean,
): string => (shown || !RULES_OF_FAT.includes(rule) ? tell(words) : t(QUIET[outcome]))

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
    const [a, b] = [before.get(name) ?? t('plan.notSaid'), after.get(name) ?? t('plan.notSaid')]
    return a === b ? [] : [{ name, was: a, now: b }]
  })
}

/** kg of body mass a week that a kept plan goes. */
export const paceKgOf = ({ pace, fatKg, leanKg }: PlanDefinition) =>
  kgAWeek(pace, { fatKg, leanKg })

/** The day of an instant of the record, in words. */
export const dayOfInstant = (instant: string) => formatDate(instant.slice(0, 10), true)

/** Which version of a plan this is, when it was made and by whom. */
export function madeText({ refused, madeBy, createdAt }: Plan, version: number): string {
  const [named, bare] = refused
    ? (['plan.askedForBy', 'plan.askedFor'] as const)
    : (['plan.madeBy', 'plan.made'] as const)
  const made = t(madeBy ? named : bare, { day: dayOfInstant(createdAt), name: madeBy })
  return version > 1 ? `${t('plan.version', { version })} · ${made}` : made
}

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
