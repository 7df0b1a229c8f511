import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, test } from 'vitest'

const root = fileURLToPath(new URL('../..', import.meta.url))

/** Licences by which what is built on may be given to a gym, with what they ask for kept in each package. */
const ALLOWED = new Set([
  ...[
    'MIT',
    'MIT-0',
    'ISC',
    '0BSD',
    'BSD-2-Clause',
    'BSD-3-Clause',
    'Apache-2.0',
    'BlueOak-1.0.0',
    'CC0-1.0',
  ],
  ...['MIT OR Apache-2.0', '(MIT OR CC0-1.0)', '(BSD-3-Clause OR GPL-2.0)'],
  ...['(MIT OR GPL-3.0-or-later)', '(MIT AND Zlib)'],
  // Fonts; the table of browsers, and the minifier of styles, which build and are not shipped.
  ...['OFL-1.1', 'CC-BY-4.0', 'MPL-2.0'],
])

interface Locked {
  dev?: boolean
  license?: string
}

/** What a package says of itself, or the first line of its licence where it says nothing. */
function ownWords(folder: string): string | undefined {
  const { license } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as Locked
  const file = join(folder, 'LICENSE')
  if (license || !existsSync(file)) return license
  return /^(?:The )?MIT License/i.test(readFileSync(file, 'utf8').trim()) ? 'MIT' : undefined
}

test('everything that the application is built on has a licence that lets it be given away', () => {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8')) as {
    packages: Record<string, Locked>
  }
  const found = Object.entries(packages).flatMap(([path, { dev, license }]) => {
    if (!path || dev) return []
    const own = join(root, path, 'package.json')
    const said = license ?? (existsSync(own) ? ownWords(join(root, path)) : null)
    // Builds for other systems are not here, and are the same package's.
    return said === null ? [] : [[path, said as string]]
  })
  expect(found.length).toBeGreaterThan(500)
  expect(found.filter(([, license]) => !ALLOWED.has(license!))).toEqual([])
})

test('no key and no filled-in list of secrets is in the repository', () => {
  const git = (...args: string[]) =>
    execFileSync('git', args, { cwd: root, encoding: 'utf8', maxBuffer: 1 << 26 })
  const names = git('ls-files').split('\n')
  expect(names.length).toBeGreaterThan(500)
  expect(names.filter((name) => /\.(pem|key|p12|env)$/.test(name))).toEqual(['deploy/example.env'])
  const filled = readFileSync(join(root, 'deploy/example.env'), 'utf8')
  expect(filled).toMatch(/^POSTGRES_PASSWORD=$/m)
  // Written apart, so that this file is not found.
  const mark = ['BEGIN', '(EC |RSA |ENCRYPTED )?PRIVATE KEY'].join(' ')
  let keys = ''
  try {
    keys = git('grep', '-lE', mark)
  } catch (error) {
    // Nothing found.
    expect((error as { status: number }).status).toBe(1)
  }
  expect(keys).toBe('')
})
