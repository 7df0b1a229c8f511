/** `npm test`: installs what is missing, then types, lint, format and every test suite. Never skips. */
import { spawnSync } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs'
import { freemem, tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { ensureBuild, ensureChromium, ensurePackages, root, run } from './tools.mjs'

ensurePackages()
ensureChromium()
run('node', ['scripts/check.mjs', '--without-tests'])
ensureBuild()

/** A file system in memory, and what has to be free in it: records of tests end with them, and a disk is slow. */
const MEMORY = '/dev/shm'
const ROOM_BYTES = 4e9
const inMemory = () => {
  if (!existsSync(MEMORY)) return false
  const { bavail, bsize } = statfsSync(MEMORY)
  return bavail * bsize > ROOM_BYTES && freemem() > 2 * ROOM_BYTES
}
const folder = mkdtempSync(join(inMemory() ? MEMORY : tmpdir(), 'oak-pinch-tests-'))
// The tests' PostgreSQL server runs as somebody else, and has to get to its own folder below.
chmodSync(folder, 0o755)
// Who stops it by the keyboard stops the tests: what they kept in memory is removed all the same.
process.on('SIGINT', () => {})
/** The longest files that are named at the end. */
const SHOWN = 25
const report = join(folder, 'report.json')
const { status } = spawnSync(
  'npx',
  // Two at a time: a file of the browser's tests keeps about one processor busy.
  [
    'vitest',
    'run',
    '--maxWorkers=2',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ],
  { cwd: root, stdio: 'inherit', env: { ...process.env, TMPDIR: folder } },
)
const results = existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : undefined
rmSync(folder, { recursive: true, force: true })
if (!results || results.numTotalTests === 0) {
  console.error('No test ran.')
  process.exit(1)
}
const files = results.testResults
  .map(({ name, startTime, endTime }) => ({ name, ms: endTime - startTime }))
  .sort((a, b) => b.ms - a.ms)
console.log('The longest files, seconds:')
for (const { name, ms } of files.slice(0, SHOWN))
  console.log(`${(ms / 1000).toFixed(0).padStart(5)}  ${relative(root, name)}`)
const { numPassedTests: passed, numFailedTests: failed, numPendingTests: skipped } = results
console.log(`${passed} passed, ${failed} failed${skipped ? `, ${skipped} skipped` : ''}`)
process.exit(status === 0 && failed === 0 && skipped === 0 ? 0 : 1)
