import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { PATIENCE } from './tests/support/patience'

const folder = (name: string) => fileURLToPath(new URL(name, import.meta.url))

/** Longer than anything takes on a machine that is busy with others: what is fast is said in bench/. */
const PATIENT = {
  testTimeout: 600_000,
  hookTimeout: 600_000,
  expect: { poll: { timeout: PATIENCE } },
}

const alias = { '#core': folder('core/index.ts'), '#shared': folder('shared') }

/**
 * Words, widths, first steps, pages that only show, what is refused before any database is asked, and records of versions
 * that knew no server, and flows whose every question to the database the server's own tests ask of PostgreSQL too: left out
 * on a PostgreSQL server for the time they take, and run there by `npm run test:postgres`.
 */
const SAME_EVERYWHERE = process.env.OAK_PINCH_ALL_ON_POSTGRES
  ? []
  : [
      ...[
        'long-words',
        'phone',
        'first-use',
        'stages',
        'backups',
        'tracking',
        'planning',
        'jobs',
        'floor',
        'paper',
        'reminders',
        'client-side',
        'devices',
        'equipment',
      ].map((name) => `tests/e2e/${name}.test.ts`),
      'tests/server/fuzz.test.ts',
      'tests/server/migrations.test.ts',
    ]

const server = {
  name: 'server',
  include: ['tests/server/**/*.test.ts'],
  pool: 'forks' as const,
  globalSetup: ['tests/server/support/global.ts'],
  setupFiles: ['tests/server/support/noon.ts', 'tests/support/words.ts'],
  // Phones are let in on this computer alone, by any port that is free.
  env: { OAK_PINCH_GYM_ADDRESSES: '127.0.0.2', OAK_PINCH_GYM_PORT: '0' },
  ...PATIENT,
}

const e2e = {
  name: 'e2e',
  include: ['tests/e2e/**/*.test.ts'],
  pool: 'forks' as const,
  ...PATIENT,
}

export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'core',
          include: ['tests/core/**/*.test.ts', 'tests/checks/**/*.test.ts'],
          pool: 'threads',
          ...PATIENT,
        },
      },
      {
        resolve: { alias },
        test: {
          // Simulations of many thousand clients: with the whole suite, not with every check.
          name: 'long',
          include: ['tests/long/**/*.test.ts', 'tests/cli/**/*.test.ts'],
          pool: 'threads',
          ...PATIENT,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'app',
          include: ['tests/app/**/*.test.ts'],
          setupFiles: ['tests/support/words.ts'],
          pool: 'threads',
          ...PATIENT,
        },
      },
      { resolve: { alias }, test: server },
      {
        resolve: { alias },
        test: {
          ...server,
          name: 'postgres',
          // What one process remembers is not asked for where several use the record.
          exclude: ['tests/server/remembered.test.ts', ...SAME_EVERYWHERE],
          globalSetup: [...server.globalSetup, 'tests/support/global-postgres.ts'],
        },
      },
      { resolve: { alias }, test: e2e },
      {
        resolve: { alias },
        test: {
          ...e2e,
          name: 'e2e-postgres',
          exclude: [
            // What becomes of the data folder's own database; and what has PostgreSQL servers of its own.
            ...['tests/e2e/record-survives.test.ts', 'tests/e2e/server.test.ts'],
            ...SAME_EVERYWHERE,
          ],
          globalSetup: ['tests/support/global-postgres.ts'],
          setupFiles: ['tests/e2e/support/on-postgres.ts'],
        },
      },
    ],
  },
})
