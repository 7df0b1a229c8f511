/**
 * `npm run -s oak -- VERB`: the command line. Results go to standard output and everything else to standard error, so
 * that a result can be piped on.
 */
import { isMainThread } from 'node:worker_threads'
import { wordsOfError } from '../shared/words/tell'
import { equations } from './equations'
import { estimate, estimateBlocks } from './estimate'
import { backup, password, restore } from './archive-verbs'
import { exportVerb, importVerb } from './exchange-verbs'
import { message } from './message'
import { packet } from './packet'
import { plan } from './plans'
import { check, judge } from './records'
import { study } from './study'
import { UsageError, type Verb } from './verb'
import { voice } from './voice'

const VERBS: Record<string, Verb> = {
  ...{
    backup,
    check,
    equations,
    estimate,
    export: exportVerb,
    import: importVerb,
    judge,
    message,
    packet,
  },
  ...{ password, plan, restore, study },
}

const HELP = `Usage: npm run -s oak -- VERB

${Object.entries(VERBS)
  .map(([name, { summary }]) => `  ${name.padEnd(10)} ${summary}`)
  .join('\n')}

  VERB --help says what a verb takes. Exit code 0: well; 1: done, but not all of it; 2: not done.
`

async function main(args: readonly string[]): Promise<number> {
  const [name, ...rest] = args
  if (name === '--help' || name === '-h') {
    process.stdout.write(HELP)
    return 0
  }
  const verb = name === undefined || !Object.hasOwn(VERBS, name) ? undefined : VERBS[name]
  if (!verb) {
    if (name !== undefined) {
      process.stderr.write(`Verb: got "${name}". Accepted: ${Object.keys(VERBS).join(', ')}.\n\n`)
    }
    process.stderr.write(HELP)
    return 2
  }
  const help = `Usage: npm run -s oak -- ${name} ${verb.help}\n`
  if (rest.includes('--help') || rest.includes('-h')) {
    process.stdout.write(help)
    return 0
  }
  try {
    return await verb.run(rest)
  } catch (error) {
    process.stderr.write(`${error instanceof Error ? wordsOfError(error, voice()) : error}\n`)
    if (error instanceof UsageError) process.stderr.write(`\n${help}`)
    return 2
  }
}

if (isMainThread) {
  // A reader that stops early (head) is no failure of ours.
  process.stdout.on('error', (error: NodeJS.ErrnoException) =>
    process.exit(error.code === 'EPIPE' ? 0 : 1),
  )
  process.exitCode = await main(process.argv.slice(2))
} else {
  estimateBlocks()
}
