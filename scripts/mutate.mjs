/**
 * `npm run mutate`: puts each of the kept faults into a copy of the project and runs the tests that are nearest to it.
 * A fault that they do not see has survived; at most three may.
 */
import { spawn, spawnSync } from 'node:child_process'
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { ensurePackages, root, run } from './tools.mjs'

/**
 * Faults that the tests have to see, each a small change of one place: file, what stands there (just once), what it
 * becomes, and the tests that are nearest to it.
 */
const MUTATIONS = JSON.parse(readFileSync(join(root, 'scripts', 'mutations.json'), 'utf8'))
const MOST_SURVIVORS = 3
/** Longer than any of the tests takes; a fault may make them wait for good. */
const LONGEST_MS = 180_000

ensurePackages()
run('npx', ['nuxt', 'prepare', '--logLevel', 'silent'], { stdio: 'ignore' })
/** Parts of the names of files, for some of them alone. */
const wanted = process.argv.slice(2)
const chosen = MUTATIONS.filter(
  ({ file }) => wanted.length === 0 || wanted.some((part) => file.includes(part)),
)

const stale = chosen.filter(
  ({ file, from }) => readFileSync(join(root, file), 'utf8').split(from).length !== 2,
)
for (const { file, from } of stale) console.error(`${file} does not hold just once: ${from}`)
if (stale.length > 0) process.exit(2)

/** The files that git knows or would take, with the packages and the generated types of this project. */
function copyOfProject() {
  const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-mutate-'))
  const { stdout } = spawnSync('git', ['ls-files', '-co', '--exclude-standard', '-z'], {
    cwd: root,
    encoding: 'utf8',
  })
  for (const file of stdout.split('\0').filter(Boolean)) {
    mkdirSync(dirname(join(folder, file)), { recursive: true })
    cpSync(join(root, file), join(folder, file))
  }
  for (const made of ['node_modules', '.nuxt']) symlinkSync(join(root, made), join(folder, made))
  return folder
}

/** Runs the tests in a copy. @returns whether they all passed */
function pass(folder, { project, tests }) {
  return new Promise((resolve) => {
    const args = ['vitest', 'run', '--project', project, '--bail', '1', '--reporter', 'dot']
    const child = spawn('npx', [...args, ...tests], {
      cwd: folder,
      stdio: 'ignore',
      detached: true,
    })
    const timer = setTimeout(() => process.kill(-child.pid, 'SIGKILL'), LONGEST_MS)
    child.on('exit', (code) => {
      clearTimeout(timer)
      resolve(code === 0)
    })
  })
}

const queue = [...chosen]
const survivors = []
let done = 0
async function work() {
  const folder = copyOfProject()
  try {
    for (let next = queue.shift(); next; next = queue.shift()) {
      const { file, from, to } = next
      const path = join(folder, file)
      const before = readFileSync(path, 'utf8')
      // A function, since the new text may hold signs that mean something to replace.
      writeFileSync(
        path,
        before.replace(from, () => to),
      )
      if (await pass(folder, next)) {
        survivors.push(next)
        console.log(`survived: ${file}: ${from} -> ${to}`)
      }
      writeFileSync(path, before)
      if (++done % 10 === 0) console.log(`${done} of ${chosen.length}`)
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

// The same tests without any fault, or every fault would seem to be seen.
const sound = copyOfProject()
for (const project of new Set(chosen.map((mutation) => mutation.project))) {
  const tests = [
    ...new Set(chosen.flatMap((mutation) => (mutation.project === project ? mutation.tests : []))),
  ]
  if (!(await pass(sound, { project, tests }))) {
    console.error(`The tests of ${project} fail without any fault.`)
    process.exit(2)
  }
}
rmSync(sound, { recursive: true, force: true })

await Promise.all(Array.from({ length: Math.min(2, availableParallelism()) }, work))
console.log(
  `${chosen.length - survivors.length} of ${chosen.length} seen, ${survivors.length} survived (at most ${MOST_SURVIVORS})`,
)
process.exit(survivors.length > MOST_SURVIVORS ? 1 : 0)
