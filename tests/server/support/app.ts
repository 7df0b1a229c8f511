import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { createApp, createRouter, toWebHandler, type EventHandler } from 'h3'
import { inject } from 'vitest'
import type { z } from 'zod'
import { pathOf, type ParamsOf, type ReplyOf, type Route } from '#shared/contract/define'
import { openDatabase, type OpenDatabase } from '../../../server/database/driver'
import { openPostgres } from '../../../server/database/postgres'
import { provideDatabase } from '../../../server/database/running'
import { routeOfHandler } from '../../../server/http/define-api'
import { databaseOn } from '../../support/postgres'
import { migrations } from './global'

const modules = import.meta.glob<{ default: EventHandler }>('../../../server/api/**/*.ts', {
  eager: true,
})

/** Every handler with the method and path that its file name says, and the route that it answers. */
export const handlers = Object.entries(modules).flatMap(([file, { default: handler }]) => {
  const named = /server(\/api\/.+?)\.(get|post|patch|put|delete)\.ts$/.exec(file)
  if (!named) return []
  const path = named[1]!.replace(/\/index$/, '').replace(/\[(\w+)\]/g, ':$1')
  return [{ path, method: named[2]!, handler, route: routeOfHandler.get(handler) }]
})

/** A migrated, empty database: in memory, or on the PostgreSQL server of this run. */
async function emptyDatabase(): Promise<OpenDatabase> {
  const server = inject('postgres')
  if (!server)
    return openDatabase(undefined, migrations, {
      loadDataDir: new Blob([readFileSync(inject('databaseDump'))]),
    })
  return openPostgres(await databaseOn(server), migrations, undefined)
}

/**
 * The API with the routes that the file names say.
 *
 * @param open the database; one in memory where none is given
 */
export async function startApi(open?: OpenDatabase) {
  const database = open ?? (await emptyDatabase())
  await provideDatabase(database)
  const router = createRouter({ preemptive: true })
  for (const { path, method, handler } of handlers) router[method as 'get'](path, handler)
  const nothing = modules['../../../server/api/[...].ts']!.default
  const handle = toWebHandler(createApp().use(router.use('/api/**', nothing)))
  const routes = new Map(
    handlers.map(({ path, method, route }) => [`${method} ${path}`, route] as const),
  )

  /** Every answer of 2xx is held against the contract of its route. */
  function checkReply(method: string, path: string, body: unknown) {
    const plain = path.split('?')[0]!
    for (const [key, route] of routes) {
      const [of, pattern] = key.split(' ')
      const shape = new RegExp(`^${pattern!.replace(/:\w+/g, '[^/]+')}$`)
      if (of !== method.toLowerCase() || !shape.test(plain) || !route) continue
      if ('parse' in route.reply) (route.reply as z.ZodType).parse(body)
    }
  }

  async function raw(method: string, path: string, init: RequestInit = {}) {
    return handle(new Request(`http://127.0.0.1${path}`, { method, ...init }))
  }

  async function call(method: string, path: string, body?: BodyInit, type = 'application/json') {
    const sent = body === undefined ? {} : { body, headers: { 'content-type': type } }
    const response = await raw(method, path, sent)
    const answer = await response.json()
    if (response.ok) checkReply(method, path, answer)
    return { status: response.status, body: answer }
  }

  /** A route of the contract, called as the browser calls it. */
  async function ask<T extends Route>(
    route: T,
    sent: { params?: ParamsOf<T>; query?: Record<string, string>; body?: unknown } = {},
  ): Promise<ReplyOf<T>> {
    const asked = sent.query ? `?${new URLSearchParams(sent.query)}` : ''
    const path = pathOf(route.path, sent.params as Record<string, string>) + asked
    const body = route.body ? JSON.stringify(sent.body ?? {}) : undefined
    const answer = await call(route.method, path, body)
    if (answer.status >= 300) throw new Error(`${path}: ${JSON.stringify(answer.body)}`)
    return answer.body as ReplyOf<T>
  }

  return {
    ...database,
    ask,
    raw,
    get: (path: string) => call('GET', path),
    post: (path: string, body: unknown = {}) => call('POST', path, JSON.stringify(body)),
    /** As `post`, with an id where the body has none: what a screen makes for each thing it creates. */
    add: (path: string, body: object) =>
      call('POST', path, JSON.stringify({ id: randomUUID(), ...body })),
    /** A file as it is. */
    send: (path: string, file: Buffer<ArrayBuffer>, type: string) => call('POST', path, file, type),
    patch: (path: string, body: unknown) => call('PATCH', path, JSON.stringify(body)),
    delete: (path: string) => call('DELETE', path),
  }
}
