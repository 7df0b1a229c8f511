import { execFileSync } from 'node:child_process'
import { existsSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('..', import.meta.url))

/** Where the empty database that a first start begins with is kept. */
export const TEMPLATE_FOLDER = join(root, 'node_modules/.cache/oak-pinch/template')
export const TEMPLATE_FILE = join(TEMPLATE_FOLDER, 'record.zip.gz')

/** Makes it where it is missing, and again when the tables have changed. */
export function ensureTemplate(): void {
  const sources = ['server/database/migrations/meta/_journal.json', 'package-lock.json']
  const changed = Math.max(...sources.map((name) => statSync(join(root, name)).mtimeMs))
  if (existsSync(TEMPLATE_FILE) && statSync(TEMPLATE_FILE).mtimeMs > changed) return
  rmSync(TEMPLATE_FOLDER, { recursive: true, force: true })
  const made = ['tsx', '--tsconfig', 'tsconfig.tests.json', 'scripts/template.ts', TEMPLATE_FILE]
  execFileSync('npx', made, { cwd: root, stdio: 'inherit' })
}
