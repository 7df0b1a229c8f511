import { say, dayValue } from '../say'
import { InputError, inputError } from '../errors'
import { RESTING_FORMS } from '../planning/energy'
import {
  type Goal,
  type GoalKind,
  type StartingPoint,
  fatPercentOfStart,
  massOfStart,
  targetsOf,
} from '../planning/goal'
import type { Pace } from '../planning/pace'
import { paceByDay } from '../planning/timeline'
import { type SafePlan, type SafetyGround, safePlan } from '../planning/safety'
import { HOLDS, type PlanFlag } from '../planning/safety-rules'
import type { IsoDate } from '../units/dates'
import {
  type RefusedRow,
  type RowReader,
  chosen,
  dateIn,
  needColumns,
  readEach,
  within,
} from './rows'

export const PLAN_COLUMNS = [
  ...(['id', 'outcome', 'target_mass_kg', 'target_fat_percent'] as const),
  ...(['weeks', 'kcal', 'rules'] as const),
]
type PlanRow = Record<(typeof PLAN_COLUMNS)[number], string | number>

const NEEDED = ['id', 'sex', 'mass_kg', 'fat_percent', 'goal'] as const
const GOALS = ['mass', 'fat_percent', 'lose_kg', 'gain_lean_kg', 'hold'] as const

const KINDS = {
  ...{ mass: 'mass', fat_percent: 'fatPercent', lose_kg: 'loseMass' },
  gain_lean_kg: 'gainLean',
} as const satisfies Partial<Record<(typeof GOALS)[number], GoalKind>>

const FLAGS: Readonly<Record<string, PlanFlag>> = {
  pregnant: 'pregnant',
  eating: 'eating disorder',
  'no-periods': 'periods or stress injury',
  insulin: 'insulin',
  kidney: 'kidney disease',
  'minor-guardian': 'guardian consents',
}
const BREASTFEEDING = /^breastfeeding_weeks:(\d+)$/
const HEALED_WEEKS = 6

/** Where a row names no pace and no day, % of body mass a week: about the middle of the band. Judgement. */
const USUAL_LOSS_PERCENT = 0.5
const USUAL_GAIN_PERCENT = 0.25
/** Of the resting need, besides exercise; and with it, where nobody said how much. Common practice, no source. */
const WITHOUT_EXERCISE = 1.2
const USUAL_ACTIVITY = 1.55
const MOST_ACTIVITY = 2.5
type Bounded = 'age' | 'height_cm' | 'mass_kg' | 'fat_percent' | 'pace_percent' | 'exercise_kcal'
const LIMITS: Readonly<Record<Bounded, readonly [low: number, high: number]>> = {
  ...{ age: [10, 110], height_cm: [100, 230], mass_kg: [25, 350], fat_percent: [2, 70] },
  ...{ pace_percent: [0, 100], exercise_kcal: [0, 6000] },
}

function flagsIn(row: RowReader): { flags: PlanFlag[]; cleared: boolean } {
  const words = row
    .text('flags')
    .split(/[\s;,|]+/)
    .filter(Boolean)
  const flags: PlanFlag[] = []
  for (const word of words.filter((w) => w !== 'cleared')) {
    const weeks = BREASTFEEDING.exec(word)?.[1]
    if (weeks !== undefined) {
      flags.push('breastfeeding')
      if (Number(weeks) < HEALED_WEEKS) flags.push('six weeks after birth')
      continue
    }
    const flag = FLAGS[word]
    if (!flag) {
      const accepted = say('files.breastfeedingWeeksNClearedSpace', {
        value: Object.keys(FLAGS).join(', '),
      })
      throw inputError('flags', 'unknown', 'flags', word, accepted)
    }
    flags.push(flag)
  }
  return { flags, cleared: words.includes('cleared') }
}

function bounded(row: RowReader, column: Bounded): number | undefined {
  const [low, high] = LIMITS[column]
  return within(column, row.number(column), low, high)
}

function needed(row: RowReader, column: Bounded): number {
  const value = bounded(row, column)
  if (value === undefined) throw inputError(column, 'missing', column, '', say('files.aNumber'))
  return value
}

/** The goal of a row as the planner takes it. */
function goalIn(row: RowReader, date: IsoDate | undefined): Goal {
  const kind = chosen(row, 'goal', GOALS)
  const when = date ? { date } : {}
  if (kind === 'hold') return { kind: 'holdLean', ...when }
  const value = row.number('goal_value')
  if (value === undefined) {
    throw inputError('goal_value', 'missing', 'goal_value', '', say('files.aNumber'))
  }
  return { kind: KINDS[kind], value, ...when }
}

/** The pace of a row: as it says, or as its day asks, or the usual one. */
function paceIn(row: RowReader, goal: Goal, start: StartingPoint, today: IsoDate): Pace {
  const changeKg = targetsOf(goal, start).aim.massKg - massOfStart(start)
  const { date } = goal
  const percent = bounded(row, 'pace_percent')
  if (percent === 0 && Math.abs(changeKg) > 0) {
    throw inputError(
      'pace_percent',
      'impossible',
      'pace_percent',
      0,
      say('files.above0WhereMassShould'),
    )
  }
  if (percent !== undefined) return { unit: 'percentMass', value: percent }
  if (date !== undefined) {
    if (date <= today)
      throw inputError(
        'by',
        'impossible',
        'by',
        date,
        say('files.dayAfter', { today: dayValue(today, true) }),
      )
    return paceByDay(goal, start, today)
  }
  return { unit: 'percentMass', value: changeKg > 0 ? USUAL_GAIN_PERCENT : USUAL_LOSS_PERCENT }
}

/** What the planner calls by another name than the file. */
const COLUMN_OF: Readonly<Record<string, string>> = { goal: 'goal_value', pace: 'pace_percent' }

/** Does something of the planner's, whose refusals then name the column of the file. */
function byColumn<T>(run: () => T): T {
  try {
    return run()
  } catch (error) {
    const column = error instanceof InputError ? COLUMN_OF[error.input] : undefined
    if (column === undefined) throw error
    const { problem, said, got, accepted } = error as InputError
    throw new InputError(column, problem, said, got, accepted)
  }
}

function planRow(row: RowReader, today: IsoDate): PlanRow {
  const id = row.text('id')
  if (id === '') throw inputError('id', 'missing', 'id', '', say('files.nameNumber'))
  const massKg = needed(row, 'mass_kg')
  const share = needed(row, 'fat_percent') / 100
  const start: StartingPoint = {
    sex: chosen(row, 'sex', ['male', 'female']),
    ageYears: bounded(row, 'age'),
    heightCm: bounded(row, 'height_cm'),
    ...{ fatKg: massKg * share, leanKg: massKg * (1 - share), standardError: null },
  }
  const date = dateIn(row, 'by')
  const goal = goalIn(row, date)
  const exercise = bounded(row, 'exercise_kcal')
  const resting = RESTING_FORMS.lean.kcal(start)
  const activity =
    exercise === undefined
      ? USUAL_ACTIVITY
      : Math.min(MOST_ACTIVITY, WITHOUT_EXERCISE + exercise / resting)
  const { flags, cleared } = flagsIn(row)
  const ground: SafetyGround = {
    ...{ flags, today },
    ...(cleared ? { clearances: HOLDS.map((rule) => ({ rule, by: 'file', on: today })) } : {}),
  }
  const wish = { goal, form: 'lean' as const, activity, exerciseKcal: exercise ?? 0 }
  const { asked, shown } = byColumn(() => {
    const pace = paceIn(row, goal, start, today)
    const asked = safePlan({ ...wish, pace }, start, ground)
    const { nearest } = asked
    // Of what is refused the nearest that is allowed is shown.
    return { asked, shown: nearest ? safePlan({ ...wish, ...nearest }, start, ground) : asked }
  })
  const nothing = asked.outcome === 'refused' && !asked.nearest
  return {
    ...{ id, outcome: asked.outcome },
    ...(nothing
      ? { target_mass_kg: '', target_fat_percent: '', weeks: '', kcal: '' }
      : figuresOf(shown)),
    rules: asked.findings.map(({ rule }) => rule).join(' '),
  }
}

const rounded = (value: number, digits: number) => Number(value.toFixed(digits))

function figuresOf({ target, weeks, intakeKcal }: SafePlan) {
  return {
    target_mass_kg: rounded(target.massKg, 2),
    target_fat_percent: rounded(fatPercentOfStart(target), 2),
    weeks: rounded(weeks, 1),
    kcal: Math.round(intakeKcal),
  }
}

/**
 * Plans of a file, one a row, by the same rules as the screen.
 *
 * @param rows with the header first
 * @throws InputError where a column is missing that every row needs
 */
export function planRows(
  rows: readonly (readonly string[])[],
  today: IsoDate,
): { plans: PlanRow[]; refused: RefusedRow[] } {
  needColumns(rows[0] ?? [], NEEDED)
  const refused: RefusedRow[] = []
  const plans = readEach(rows, refused, (row) => planRow(row, today))
  return { plans, refused }
}
