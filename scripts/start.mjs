/** `npm start`: the coach's own data folder, empty at first. */
import { join } from 'node:path'
import { ensureBuild, ensurePackages, root, serve } from './tools.mjs'

ensurePackages()
ensureBuild()
await serve({ OAK_PINCH_DATA: process.env.OAK_PINCH_DATA ?? join(root, '.data', 'gym') })
