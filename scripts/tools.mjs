/** What the scripts of package.json share. Plain Node, since they run before anything is installed. */
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = dirname(dirname(fileURLToPath(import.meta.url)))

/** Runs a command in the project's folder with its output shown; exits with its status when it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options })
  if (done.error) {
    console.error(`${command} could not be started: ${done.error.message}`)
    process.exit(1)
  }
  if (done.status !== 0) process.exit(done.status ?? 1)
}

/** Installs the packages of the lockfile when they are missing. */
export function ensurePackages() {
  if (existsSync(join(root, 'node_modules', 'nuxt', 'package.json'))) return
  console.log('Installing packages…')
  run('npm', ['ci', '--no-progress'])
}

/** Installs the browser of the tests, and what reads PDF, where they are missing and this machine lets us. */
export function ensureChromium() {
  const isThere = (name) => spawnSync('which', [name]).status === 0
  const missing = [
    ...(process.env.CHROMIUM || existsSync('/usr/bin/chromium') ? [] : ['chromium']),
    // Reads pages on paper back.
    ...(isThere('pdftotext') ? [] : ['poppler-utils']),
  ]
  if (missing.length === 0) return
  const isRoot = process.getuid?.() === 0
  const debian = existsSync('/usr/bin/apt-get')
  if (!isRoot || !debian) {
    console.error(
      `Missing: ${missing.join(', ')}. Run "sudo apt-get install ${missing.join(' ')}", or name a Chromium in CHROMIUM.`,
    )
    process.exit(1)
  }
  console.log(`Installing ${missing.join(', ')}…`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  run('apt-get', ['update', '-qq'], { env })
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing], { env })
}

/** The time of the latest change in a file or below a folder. */
export function newest(path) {
  const stat = statSync(path)
  if (!stat.isDirectory()) return stat.mtimeMs
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))))
}

/** Builds the application when the build is missing or older than its sources. */
export function ensureBuild() {
  const built = join(root, '.output', 'server', 'index.mjs')
  const sources = [
    'core',
    'shared',
    'server',
    'app',
    'public',
    'nuxt.config.ts',
    'package-lock.json',
  ]
  const changed = Math.max(...sources.map((name) => newest(join(root, name))))
  if (existsSync(built) && statSync(built).mtimeMs > changed) return
  console.log('Building…')
  run('npx', ['nuxt', 'build', '--logLevel', 'silent'], {
    env: { ...process.env, NODE_ENV: 'production' },
  })
}

/** Puts the made-up club into a data folder; does nothing where there are clients already. */
export function makeDemo(folder, ...more) {
  run('npx', ['tsx', '--tsconfig', 'tsconfig.tests.json', 'scripts/demo-data.ts', folder, ...more])
}

/** True when nothing listens on the port of the loopback address. */
function isFree(port) {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })
}

/** What the server ends with when it is to be started again: what it acknowledged is safe, but it may not go on. */
const START_AGAIN = 75
/** So often within so many ms it is started again; then something is wrong that a start does not mend. */
const MOST_STARTS = { times: 5, within: 60_000 }

/** Starts the built server on the loopback address, says where it is, and starts it again where it asks for that. */
export async function serve(env) {
  const wanted = Number(process.env.PORT ?? 4180)
  let port = wanted
  while (!(await isFree(port)) && port < wanted + 20) port++
  let server
  let stopping = false
  const starts = []
  const start = () => {
    starts.push(Date.now())
    server = spawn(process.execPath, [join(root, '.output', 'server', 'index.mjs')], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'inherit'],
      env: {
        ...process.env,
        ...env,
        NITRO_HOST: '127.0.0.1',
        NITRO_PORT: String(port),
        HOST: '127.0.0.1',
        PORT: String(port),
      },
    })
    server.stdout.resume()
    server.on('exit', (code, signal) => {
      const recent = starts.filter((at) => at > Date.now() - MOST_STARTS.within)
      if (code === START_AGAIN && !stopping && recent.length < MOST_STARTS.times) start()
      else process.exit(signal ? 0 : (code ?? 1))
    })
  }
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      stopping = true
      server.kill(signal)
    })
  start()
  const address = `http://127.0.0.1:${port}/`
  for (let tries = 0; tries < 300; tries++) {
    await new Promise((wait) => setTimeout(wait, 200))
    // Any answer will do: what is wrong with a record is said on the page.
    const answered = await fetch(`${address}api/today`).then(
      () => true,
      () => false,
    )
    if (answered) {
      console.log(`Oak Pinch: ${address}`)
      return
    }
  }
  console.error('The server did not answer within a minute.')
  server.kill()
}
