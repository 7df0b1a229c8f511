import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('..', import.meta.url))

/** Where the empty database that a first start begins with is kept. */
export const TEMPLATE_FOLDER = join(root, 'node_modules/.cache/oak-pinch/template')
export const TEMPLATE_FILE = join(TEMPLATE_FOLDER, 'record.zip.gz')
/** What it was made from: packages may be shared by copies of the project that stand at other versions. */
const STAMP = `${TEMPLATE_FOLDER}.sha256`

/** A sum of everything that it is made from. */
function sourcesNow(): string {
  const migrations = join(root, 'server/database/migrations')
  const sources = readdirSync(migrations)
    .filter((name) => name.endsWith('.sql'))
    .sort()
    .map((name) => join(migrations, name))
  const hash = createHash('sha256')
  for (const path of [
    ...sources,
    join(root, 'package-lock.json'),
    join(root, 'scripts/template.ts'),
  ])
    hash.update(readFileSync(path))
  return hash.digest('hex')
}

/** Makes it where it is missing, and again when what it is made from has changed. */
export function ensureTemplate(): void {
  const now = sourcesNow()
  const made = existsSync(STAMP) && existsSync(TEMPLATE_FILE) && readFileSync(STAMP, 'utf8')
  if (made === now) return
  rmSync(TEMPLATE_FOLDER, { recursive: true, force: true })
  const command = ['tsx', '--tsconfig', 'tsconfig.tests.json', 'scripts/template.ts', TEMPLATE_FILE]
  execFileSync('npx', command, { cwd: root, stdio: 'inherit' })
  writeFileSync(STAMP, now)
}
