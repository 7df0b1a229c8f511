/**
 * `npm start [-- --new] [-- --gym]`: the coach's own data folder. A folder that is named must hold a record, unless a new
 * one is asked for; the usual one is empty at first, and only then. With --gym phones are let in.
 */
import { existsSync, mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild, ensurePackages, root, serve } from './tools.mjs'

ensurePackages()
ensureBuild()
const data = join(root, '.data')
/** Stands beside the usual folder once it was opened, so that one that is gone later is not begun anew without a word. */
const known = join(data, 'gym-was-opened')
const folder = process.env.OAK_PINCH_DATA
const begin = process.argv.includes('--new') || (!folder && !existsSync(known))
await serve({
  OAK_PINCH_DATA: folder ?? join(data, 'gym'),
  ...(process.argv.includes('--gym') ? { OAK_PINCH_GYM: '1' } : {}),
  ...(begin ? { OAK_PINCH_NEW: '1' } : {}),
})
if (!folder) {
  mkdirSync(data, { recursive: true, mode: 0o700 })
  writeFileSync(known, '')
}
