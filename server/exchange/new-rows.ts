import * as schema from '../database/schema'

/** The tables that a client's rows go into, each after those that its rows speak of. */
const TABLES = [
  schema.clients,
  schema.heights,
  schema.screenings,
  schema.siteNotes,
  schema.checkIns,
  schema.checkInSkips,
  schema.checkInExtraGirths,
  schema.checkInConditions,
  schema.readings,
  schema.weighIns,
  schema.clientNotes,
  schema.plans,
  schema.planClearances,
  schema.clientDetails,
  schema.clientTags,
  schema.sessionNotes,
  schema.appointments,
  schema.selfGirths,
  schema.otherResults,
] as const

/** Rows that are new, by their tables. */
export interface Rows extends Iterable<[(typeof TABLES)[number], never[]]> {
  get<T extends (typeof TABLES)[number]>(table: T): T['$inferInsert'][] | undefined
}

export const newRows = () => new Map(TABLES.map((table) => [table, []])) as unknown as Rows
