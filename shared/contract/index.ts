import type { Route } from './define'
import { access } from './routes/access'
import { backups } from './routes/backups'
import { calendar } from './routes/calendar'
import { checkIns } from './routes/check-ins'
import { details, my, sharing, weeklyReports } from './routes/client-side'
import { clients } from './routes/clients'
import { gym } from './routes/equipment'
import { exchange } from './routes/exchange'
import { leaderboards } from './routes/leaderboards'
import { notes } from './routes/notes'
import { otherResults } from './routes/other-results'
import { photos } from './routes/photos'
import { plans } from './routes/plans'
import { reminders } from './routes/reminders'
import { reports } from './routes/reports'
import { studies } from './routes/studies'
import { today } from './routes/today'
import { weighIns } from './routes/weigh-ins'

/**
 * Every route, once for both ends. The server's handlers and the browser's calls both go through these, and the tests
 * walk the table. A page imports the routes of its area alone, so that it does not carry the schemas of all.
 */
const contract = {
  today,
  calendar,
  clients,
  details,
  sharing,
  weeklyReports,
  my,
  weighIns,
  notes,
  otherResults,
  photos,
  plans,
  reminders,
  reports,
  checkIns,
  gym,
  studies,
  leaderboards,
  backups,
  exchange,
  access,
}

const isRoute = (value: unknown): value is Route =>
  typeof value === 'object' && value !== null && 'method' in value && 'path' in value

/** Every route of the table with its name, as `clients.add`. */
export function routesOf(table: object = contract, prefix = ''): [name: string, route: Route][] {
  return Object.entries(table).flatMap(([key, value]): [string, Route][] =>
    isRoute(value) ? [[prefix + key, value]] : routesOf(value as object, `${prefix}${key}.`),
  )
}
