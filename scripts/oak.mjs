/** `npm run oak -- VERB`: starts `cli/oak.ts` from a bundle, which is made again whenever its sources have changed. */
import { existsSync, renameSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePackages, newest, root } from './tools.mjs'

const bundle = join(root, 'node_modules', '.cache', 'oak-pinch', 'oak.mjs')
const changed = Math.max(
  ...['core', 'cli', 'shared', 'locales'].map((folder) => newest(join(root, folder))),
)
if (!existsSync(bundle) || statSync(bundle).mtimeMs < changed) {
  ensurePackages()
  const { build } = await import('esbuild')
  // Put in place when it is whole, since another command may start meanwhile.
  const made = `${bundle}.${process.pid}`
  await build({
    entryPoints: [join(root, 'cli', 'oak.ts')],
    outfile: made,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    banner: {
      js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
    },
  })
  renameSync(made, bundle)
}
await import(bundle)
