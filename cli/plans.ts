/** `plan`: plans of a file, one a row, held against the same rules as on the screen. */
import { csvLines } from '../core/exchange/csv'
import { PLAN_COLUMNS, planRows } from '../core/exchange/plan-rows'
import { isIsoDate, isoDateOf } from '../core/units/dates'
import { onePath, readTable, tellRefused, write } from './files'
import { UsageError, type Verb } from './verb'

const TODAY = '--today'

/** The arguments without the option, and the day that it names. */
function todayOf(args: readonly string[]): { rest: string[]; today: string } {
  const at = args.indexOf(TODAY)
  if (at < 0) return { rest: [...args], today: isoDateOf(new Date()) }
  const today = args[at + 1] ?? ''
  if (!isIsoDate(today)) {
    throw new UsageError(`${TODAY}: got "${today}". Accepted: a date that exists, as 2026-03-14.`)
  }
  return { rest: args.filter((_, i) => i !== at && i !== at + 1), today }
}

export const plan: Verb = {
  summary:
    'what becomes of each plan of a CSV file by the safety rules: ok, caution, hold or refused',
  help: `FILE [--today DATE]

  FILE    CSV with the columns id, sex, age, height_cm, mass_kg, fat_percent, goal (mass, fat_percent, lose_kg,
          gain_lean_kg, hold), goal_value, by, pace_percent, exercise_kcal and flags; - for standard input.
  --today The day on which it is planned; today where not said.
  Results are CSV, one row a plan; of a plan that is refused the figures are those of the nearest that is allowed. Rows
  that make no sense are named on standard error with row and column; the exit code is 2 when none could be read.`,
  async run(args) {
    const { rest, today } = todayOf(args)
    const { plans, refused } = planRows(await readTable(onePath(rest)), today)
    tellRefused(refused)
    await write(`${PLAN_COLUMNS.join(',')}\r\n${csvLines(PLAN_COLUMNS, plans)}`)
    return plans.length > 0 ? 0 : 2
  },
}
