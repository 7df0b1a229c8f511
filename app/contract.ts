import type { Route } from '#shared/contract/define'

/*
 * The routes of the contract for pages: by name alone. A page that the server has rendered needs no schema before its
 * first call, and reading them costs a phone more than the rest of the page. The check-in has them from the start.
 */

/** A route that is loaded when it is called. */
export type Later<T extends Route> = () => Promise<T>

type Area<T> = { readonly [K in keyof T]: T[K] extends Route ? Later<T[K]> : never }

const later = <T extends object>(load: () => Promise<T>): Area<T> =>
  new Proxy({} as Area<T>, {
    get: (_, name) => async () => (await load())[name as keyof T],
  })

export const access = later(async () => (await import('#shared/contract/routes/access')).access)
export const backups = later(async () => (await import('#shared/contract/routes/backups')).backups)
export const calendar = later(
  async () => (await import('#shared/contract/routes/calendar')).calendar,
)
export const checkIns = later(
  async () => (await import('#shared/contract/routes/check-ins')).checkIns,
)
export const clients = later(async () => (await import('#shared/contract/routes/clients')).clients)
export const exchange = later(
  async () => (await import('#shared/contract/routes/exchange')).exchange,
)
export const gym = later(async () => (await import('#shared/contract/routes/equipment')).gym)
export const leaderboards = later(
  async () => (await import('#shared/contract/routes/leaderboards')).leaderboards,
)
export const notes = later(async () => (await import('#shared/contract/routes/notes')).notes)
export const photos = later(async () => (await import('#shared/contract/routes/photos')).photos)
export const plans = later(async () => (await import('#shared/contract/routes/plans')).plans)
export const reminders = later(
  async () => (await import('#shared/contract/routes/reminders')).reminders,
)
export const reports = later(async () => (await import('#shared/contract/routes/reports')).reports)
export const today = later(async () => (await import('#shared/contract/routes/today')).today)
export const weighIns = later(
  async () => (await import('#shared/contract/routes/weigh-ins')).weighIns,
)
const clientSide = () => import('#shared/contract/routes/client-side')
export const details = later(async () => (await clientSide()).details)
export const sharing = later(async () => (await clientSide()).sharing)
export const weeklyReports = later(async () => (await clientSide()).weeklyReports)
export const my = later(async () => (await clientSide()).my)
export const studies = later(async () => (await import('#shared/contract/routes/studies')).studies)
export const otherResults = later(
  async () => (await import('#shared/contract/routes/other-results')).otherResults,
)
