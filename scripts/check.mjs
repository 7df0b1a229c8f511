/** `npm run check`: types, lint, dead code, format and the core's tests, a few side by side. */
import { spawn } from 'node:child_process'
import { availableParallelism } from 'node:os'
import { ensurePackages, root, run } from './tools.mjs'

ensurePackages()
run('npx', ['nuxt', 'prepare', '--logLevel', 'silent'], { stdio: ['ignore', 'ignore', 'inherit'] })

const jobs = [
  ['types', ['vue-tsc', '-b', '--noEmit']],
  [
    'lint',
    ['eslint', '.', '--max-warnings', '0', '--cache', '--cache-location', '.nuxt/eslintcache'],
  ],
  ['dead code', ['knip', '--no-progress']],
  ['format', ['prettier', '--check', '--log-level', 'warn', '.']],
]
if (!process.argv.includes('--without-tests')) {
  jobs.push(['core', ['vitest', 'run', '--project', 'core', '--reporter', 'dot']])
}

function job([name, args]) {
  return new Promise((resolve) => {
    let output = ''
    const child = spawn('npx', args, { cwd: root })
    child.stdout.on('data', (chunk) => (output += chunk))
    child.stderr.on('data', (chunk) => (output += chunk))
    child.on('exit', (code) => {
      console.log(`${name}: ${code === 0 ? 'ok' : `failed\n${output}`}`)
      resolve(code === 0)
    })
  })
}

// No more at a time than the machine has cores: the tests would run out of time behind the others.
const passed = []
async function work() {
  for (let next = jobs.shift(); next; next = jobs.shift()) passed.push(await job(next))
}
await Promise.all(Array.from({ length: Math.min(jobs.length, availableParallelism()) }, work))
process.exit(passed.every(Boolean) ? 0 : 1)
