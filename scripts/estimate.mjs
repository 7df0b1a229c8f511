/** Starts `scripts/estimate.ts` from a bundle, which is made again whenever the core has changed. */
import { existsSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { newest, root } from './tools.mjs'

const bundle = join(root, 'node_modules', '.cache', 'oak-pinch', 'estimate.mjs')
const changed = Math.max(newest(join(root, 'core')), newest(join(root, 'scripts', 'estimate.ts')))
if (!existsSync(bundle) || statSync(bundle).mtimeMs < changed) {
  const { build } = await import('esbuild')
  await build({
    entryPoints: [join(root, 'scripts', 'estimate.ts')],
    outfile: bundle,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    banner: {
      js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
    },
  })
}
await import(bundle)
