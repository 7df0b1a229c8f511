import { readFileSync } from 'node:fs'
import { createApp, createRouter, toWebHandler, type EventHandler } from 'h3'
import { inject } from 'vitest'
import { openDatabase } from '../../../server/database/open'
import { provideDatabase } from '../../../server/utils/database'
import { migrations } from './global'

const handlers = import.meta.glob<{ default: EventHandler }>('../../../server/api/**/*.ts', {
  eager: true,
})

/** The API over an in-memory database, with the routes that the file names say. */
export async function startApi() {
  const database = await openDatabase(
    undefined,
    migrations,
    new Blob([readFileSync(inject('databaseDump'))]),
  )
  provideDatabase(database)
  const router = createRouter()
  for (const [file, { default: handler }] of Object.entries(handlers)) {
    const [, path, method] = /server(\/api\/.+?)\.(get|post|patch|put|delete)\.ts$/.exec(file)!
    const route = path!.replace(/\/index$/, '').replace(/\[(\w+)\]/g, ':$1')
    router[method as 'get'](route, handler)
  }
  const handle = toWebHandler(createApp().use(router))

  async function call(method: string, path: string, body?: BodyInit, type = 'application/json') {
    const sent = body === undefined ? {} : { body, headers: { 'content-type': type } }
    const response = await handle(new Request(`http://127.0.0.1${path}`, { method, ...sent }))
    return { status: response.status, body: await response.json() }
  }

  return {
    ...database,
    get: (path: string) => call('GET', path),
    post: (path: string, body: unknown = {}) => call('POST', path, JSON.stringify(body)),
    /** A file as it is. */
    send: (path: string, file: Buffer<ArrayBuffer>, type: string) => call('POST', path, file, type),
    patch: (path: string, body: unknown) => call('PATCH', path, JSON.stringify(body)),
    delete: (path: string) => call('DELETE', path),
  }
}
