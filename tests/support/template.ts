import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { unpackTemplate } from '../../server/database/template'

const root = fileURLToPath(new URL('../..', import.meta.url))
const zipped = join(root, 'node_modules/.cache/oak-pinch/template/record.zip')

/** Makes the empty database that a first start begins with, where no build has made it. */
export function ensureTemplate(): void {
  if (existsSync(zipped)) return
  const args = ['tsx', '--tsconfig', 'tsconfig.tests.json', 'scripts/template.ts', zipped]
  execFileSync('npx', args, { cwd: root })
}

/** Fills an empty folder with that database. */
export const fromTemplate = (folder: string): Promise<void> =>
  unpackTemplate(folder, async () => readFileSync(zipped))
