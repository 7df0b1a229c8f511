/** `npm run demo`: a made-up club. Its dates count back from today, so it is made anew each day. */
import { existsSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild, ensurePackages, makeDemo, root, serve } from './tools.mjs'

ensurePackages()
ensureBuild()
const day = new Date().toLocaleDateString('sv-SE')
const data = join(root, '.data')
for (const name of existsSync(data) ? readdirSync(data) : []) {
  if (name.startsWith('demo-') && name !== `demo-${day}`)
    rmSync(join(data, name), { recursive: true })
}
const folder = join(data, `demo-${day}`)
if (!existsSync(folder)) {
  // Whole or not at all: a folder of that name was made to the end.
  makeDemo(`${folder}.making`)
  renameSync(`${folder}.making`, folder)
}
await serve({ OAK_PINCH_DATA: folder })
