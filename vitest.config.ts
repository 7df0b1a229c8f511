import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const folder = (name: string) => fileURLToPath(new URL(name, import.meta.url))

const alias = { '#core': folder('core/index.ts'), '#shared': folder('shared') }

export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'core',
          include: ['tests/core/**/*.test.ts', 'tests/checks/**/*.test.ts'],
          pool: 'threads',
        },
      },
      {
        resolve: { alias },
        test: {
          // Simulations of many thousand clients: with the whole suite, not with every check.
          name: 'long',
          include: ['tests/long/**/*.test.ts', 'tests/cli/**/*.test.ts'],
          pool: 'threads',
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'app',
          include: ['tests/app/**/*.test.ts'],
          setupFiles: ['tests/support/words.ts'],
          pool: 'threads',
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'server',
          include: ['tests/server/**/*.test.ts'],
          pool: 'forks',
          globalSetup: ['tests/server/support/global.ts'],
          setupFiles: ['tests/server/support/noon.ts', 'tests/support/words.ts'],
          // Phones are let in on this computer alone, by any port that is free.
          env: { OAK_PINCH_GYM_ADDRESSES: '127.0.0.2', OAK_PINCH_GYM_PORT: '0' },
          testTimeout: 30_000,
          hookTimeout: 60_000,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'e2e',
          include: ['tests/e2e/**/*.test.ts'],
          pool: 'forks',
          fileParallelism: false,
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
})
