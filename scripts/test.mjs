/** `npm test`: installs what is missing, then types, lint, format and every test suite. Never skips. */
import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensureBuild, ensureChromium, ensurePackages, root, run } from './tools.mjs'

ensurePackages()
ensureChromium()
run('node', ['scripts/check.mjs', '--without-tests'])
ensureBuild()

const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-results-'))
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
  { cwd: root, stdio: 'inherit' },
)
const results = existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : undefined
rmSync(folder, { recursive: true, force: true })
if (!results || results.numTotalTests === 0) {
  console.error('No test ran.')
  process.exit(1)
}
const { numPassedTests: passed, numFailedTests: failed, numPendingTests: skipped } = results
console.log(`${passed} passed, ${failed} failed${skipped ? `, ${skipped} skipped` : ''}`)
process.exit(status === 0 && failed === 0 && skipped === 0 ? 0 : 1)
