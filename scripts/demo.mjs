/**
 * `npm run demo [-- --gym]`: a made-up club. Its dates count back from today, so it is made anew each day. With --gym its
 * people sign in, and phones are let in.
 */
import { existsSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild, ensurePackages, makeDemo, root, serve } from './tools.mjs'

ensurePackages()
ensureBuild()
const day = new Date().toLocaleDateString('sv-SE')
const data = join(root, '.data')
for (const name of existsSync(data) ? readdirSync(data) : []) {
  if (name.startsWith('demo-') && !name.startsWith(`demo-${day}`))
    rmSync(join(data, name), { recursive: true })
}
const gym = process.argv.includes('--gym')
const folder = join(data, `demo-${day}${gym ? '-gym' : ''}`)
if (!existsSync(folder)) {
  // Whole or not at all: a folder of that name was made to the end.
  makeDemo(`${folder}.making`, ...(gym ? ['--staff'] : []))
  renameSync(`${folder}.making`, folder)
}
// What it needs is installed by now.
const { startStandIn } = await import('./stand-in-mail.mjs')
// Its mails go to a stand-in on this computer: what would have gone out is read on /outbox.
const outbox = `${folder}-outbox`
const mail = {
  ...{ SMTP_URL: await startStandIn(outbox), OAK_PINCH_OUTBOX: outbox },
  OAK_PINCH_MAIL_FROM: 'fenna@lock-nine.example',
}
await serve({ OAK_PINCH_DATA: folder, ...mail, ...(gym ? { OAK_PINCH_GYM: '1' } : {}) })
if (gym)
  console.log('Sign in as Mara Linden, Wim Astley or Asa Along. The password is: oak pinch made up')
