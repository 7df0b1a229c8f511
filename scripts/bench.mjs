/** `npm run bench -- NAME [WHAT ...]`: runs bench/NAME.ts. Each says how it measured, as ratios of one run. */
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild, ensureChromium, ensurePackages, root, run } from './tools.mjs'

ensurePackages()
const known = readdirSync(join(root, 'bench'))
  .filter((name) => name.endsWith('.ts') && !/^(bare-|browser|timing)/.test(name))
  .map((name) => name.slice(0, -3))
const [name, ...what] = process.argv.slice(2)
if (!known.includes(name)) {
  console.error(`Usage: npm run bench -- NAME, one of: ${known.join(', ')}`)
  process.exit(2)
}
ensureChromium()
ensureBuild()
run('npx', ['tsx', '--tsconfig', 'tsconfig.tests.json', join('bench', `${name}.ts`), ...what])
