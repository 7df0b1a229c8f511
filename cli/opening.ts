import { spawnSync } from 'node:child_process'

/**
 * Runs a verb that opens a database: from its sources in a process of its own, since the database engine cannot be
 * bundled.
 *
 * @param program its file
 * @returns the exit code
 */
export function opening(program: string, verb: string, args: readonly string[]): number {
  const done = spawnSync(
    process.execPath,
    ['node_modules/tsx/dist/cli.mjs', '--tsconfig', 'tsconfig.tests.json', program, verb, ...args],
    { stdio: 'inherit' },
  )
  return done.status ?? 2
}
