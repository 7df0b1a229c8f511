import { fileURLToPath } from 'node:url'
import { ESLint } from 'eslint'
import { beforeAll, expect, test } from 'vitest'

/** The arrows of the architecture are held by lint: this shows that a wrong import does fail. */
const root = fileURLToPath(new URL('../..', import.meta.url))
const eslint = new ESLint({ cwd: root })

// Loading the configuration takes the time; the files take none.
beforeAll(() => refusals('core/x.ts', ''), 60_000)

async function refusals(file: string, code: string) {
  const [result] = await eslint.lintText(`${code}\n`, { filePath: `${root}/${file}` })
  return result!.messages.filter((m) => m.severity === 2 && m.ruleId?.startsWith('no-restricted'))
    .length
}

test.each([
  ['core/x.ts', "import '../server/database/schema'"],
  ['core/units/x.ts', "import '../../shared/contract/clients'"],
  ['core/x.ts', "import '../app/utils/keep'"],
  ['core/units/x.ts', "import '../anatomy/ids'"],
  ['core/composition/x.ts', "import '../change/compare'"],
  ['core/change/x.ts', "import '../planning/goal'"],
  ['core/change/deeper/x.ts', "import '../../planning/goal'"],
  ['core/change/x.ts', "import '../index'"],
  ['server/people/x.ts', "import '#demo/seed'"],
  ['server/people/x.ts', "import '../../bench/pages'"],
  ['core/x.ts', "import 'vue'"],
  ['core/x.ts', "import 'drizzle-orm'"],
  ['core/x.ts', "import 'node:fs'"],
  ['core/x.ts', "import '#shared/contract/clients'"],
  ['core/x.ts', 'export const now = new Date()'],
  ['core/x.ts', 'export const now = Date.now()'],
  ['core/x.ts', 'export const chance = Math.random()'],
  ['shared/x.ts', "import '../server/utils/api'"],
  ['shared/x.ts', "import '../app/utils/keep'"],
  ['app/utils/x.ts', "import '../../server/utils/api'"],
  ['app/utils/x.ts', "import '~~/server/utils/api'"],
  ['app/stores/x.ts', "import '#demo/seed'"],
  ['server/utils/x.ts', "import '../../app/utils/keep'"],
  ['server/utils/x.ts', "import '~/utils/keep'"],
])('%s refuses %s', async (file, code) => expect(await refusals(file, code)).toBeGreaterThan(0))

test.each([
  [
    'core/x.ts',
    "import './errors'\nimport 'zod'\nimport 'simple-statistics'\nimport 'date-fns/format'",
  ],
  ['core/change/x.ts', "import '../composition/check-in'\nimport './compare'"],
  ['shared/x.ts', "import '../core'\nimport 'zod'"],
  ['app/utils/x.ts', "import '#core'\nimport '#shared/contract/clients'\nimport 'vue'"],
  [
    'server/utils/x.ts',
    "import '#core'\nimport '#shared/contract/clients'\nimport '../database/schema'",
  ],
])('%s may %s', async (file, code) => expect(await refusals(file, code)).toBe(0))
