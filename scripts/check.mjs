/** `npm run check`: types, lint, format and the core's tests, side by side. */
import { spawn } from 'node:child_process'
import { ensurePackages, root, run } from './tools.mjs'

ensurePackages()
run('npx', ['nuxt', 'prepare', '--logLevel', 'silent'], { stdio: ['ignore', 'ignore', 'inherit'] })

const jobs = [
  ['types', ['vue-tsc', '-b', '--noEmit']],
  [
    'lint',
    ['eslint', '.', '--max-warnings', '0', '--cache', '--cache-location', '.nuxt/eslintcache'],
  ],
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

const passed = await Promise.all(jobs.map(job))
process.exit(passed.every(Boolean) ? 0 : 1)
