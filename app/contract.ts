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
export const gym = later(async () => (await import('#shared/contract/routes/equipment')).gym)
export const leaderboards = later(
  async () => (await import('#shared/contract/routes/leaderboards')).leaderboards,
)
export const notes = later(async () => (await import('#shared/contract/routes/notes')).notes)
export const photos = later(async () => (await import('#shared/contract/routes/photos')).photos)
export const plans = later(async () => (await import('#shared/contract/routes/plans')).plans)
export const today = later(async () => (await import('#shared/contract/routes/today')).today)
export const weighIns = later(
  async () => (await import('#shared/contract/routes/weigh-ins')).weighIns,
)
