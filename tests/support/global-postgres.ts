import { fileURLToPath } from 'node:url'
import type { TestProject } from 'vitest/node'
import { openPostgres } from '../../server/database/postgres'
import { ensureGym } from '../../server/equipment/commands'
import { startPostgres } from './postgres'

declare module 'vitest' {
  export interface ProvidedContext {
    /** Where tests make their databases on a PostgreSQL server; undefined where they are in memory or in a folder. */
    postgres: { template: string; admin: string } | undefined
  }
}

const TEMPLATE = 'oak_template'
const migrations = fileURLToPath(new URL('../../server/database/migrations', import.meta.url))

/** Starts a PostgreSQL server with one migrated, empty database, which each test copies. */
export default async function setup(project: TestProject) {
  const server = await startPostgres()
  const made = await openPostgres(await server.create(TEMPLATE), migrations, undefined)
  await ensureGym(made.db)
  await made.close()
  project.provide('postgres', { template: TEMPLATE, admin: server.urlOf('postgres') })
  return () => server.stop()
}
