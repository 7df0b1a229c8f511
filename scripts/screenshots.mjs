/** `npm run screenshots`: the pictures in docs/screenshots/, taken anew from the demo. */
import { spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openChromium } from './chromium.mjs'
import { startStandIn } from './stand-in-mail.mjs'
import { ensureBuild, ensureChromium, makeDemo, root } from './tools.mjs'

const DESK = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true }
const PORT = 4199
const base = `http://127.0.0.1:${PORT}`
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

ensureChromium()
ensureBuild()
const out = join(root, 'docs', 'screenshots')
mkdirSync(out, { recursive: true })
const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-pictures-'))
makeDemo(join(folder, 'data'))
const server = spawn(process.execPath, [join(root, '.output', 'server', 'index.mjs')], {
  env: {
    ...process.env,
    OAK_PINCH_DATA: join(folder, 'data'),
    SMTP_URL: await startStandIn(join(folder, 'outbox')),
    OAK_PINCH_OUTBOX: join(folder, 'outbox'),
    OAK_PINCH_MAIL_FROM: 'fenna@lock-nine.example',
    NITRO_HOST: '127.0.0.1',
    NITRO_PORT: String(PORT),
  },
  stdio: ['ignore', 'ignore', 'inherit'],
})
// A step that fails must not leave the server behind.
process.on('exit', () => server.kill())
const answers = () =>
  fetch(`${base}/api/today`)
    .then((r) => r.json())
    .catch(() => undefined)
let today
while ((today = await answers())?.pending !== 0) await pause(300)
// The gym's own figures are read off its records beside the first answer, and what records say may change by them.
const gymOf = () => fetch(`${base}/api/gym`).then((r) => r.json())
while (!(await gymOf()).figures || (today = await answers()).pending !== 0) await pause(300)
const entryOf = (name) => today.measure.shown.find((e) => e.client.name.startsWith(name))
const { entries } = await fetch(`${base}/api/clients`).then((r) => r.json())
const clientOf = (name) => entries.find((e) => e.client.name.startsWith(name)).client.id

const { browser, close } = await openChromium()
const page = await browser.newPage()

async function go(path) {
  // The live stream of a check-in never lets the network be idle for good.
  await page.goto(base + path, { waitUntil: 'networkidle2' })
  await pause(600)
}
async function enter(values) {
  for (const value of values) {
    await page.keyboard.type(String(value))
    await page.keyboard.press('Enter')
    await pause(80)
  }
}
/** Presses what begins with the text. */
async function press(text) {
  await page.evaluate(
    (wanted) =>
      [...document.querySelectorAll('button, a, summary, [role=radio]')]
        .find((e) => e.innerText.replace(/\s+/g, ' ').trim().startsWith(wanted))
        .click(),
    text,
  )
  await pause(500)
}
async function shot(name, viewport) {
  if (viewport) await page.setViewport(viewport)
  await pause(400)
  await page.screenshot({ path: join(out, `${name}.png`) })
}

await page.setViewport(DESK)
await go('/')
await shot('today')
await page.setViewport(DESK)
const tilda = `/clients/${clientOf('Tilda')}`
const first = await fetch(`${base}/api${tilda}/record`)
  .then((r) => r.json())
  .then(({ checkIns }) => checkIns.at(-5).id)
await go(tilda)
await shot('client')
await go(`${tilda}/curves`)
await shot('curves')
await go(`${tilda}/body-map?then=${first}`)
await shot('body-map')
await go(`${tilda}/photos`)
await press('with a slider')
await shot('photos')
await go(`${tilda}/plan`)
await page.setViewport({ ...DESK, height: 1250 })
await page.waitForSelector('[data-test="plan-picture"][data-banded]')
await shot('plan')
await page.setViewport(DESK)
await go(`${tilda}/share`)
await page.waitForSelector('[data-test="paper-1"]')
await shot('share', { ...DESK, height: 1000 })
await page.setViewport(DESK)
await go('/bring-in')
const records = await page.waitForSelector('[data-test="records-file"]')
await records.uploadFile(join(root, 'demo', 'old-sheet.csv'))
await page.waitForSelector('[data-test="columns"]')
await shot('bring-in')
const [group] = await fetch(`${base}/api/leaderboards`).then((r) => r.json())
await go(`/leaderboards/${group.id}`)
await shot('leaderboard')
await go('/calendar')
await shot('calendar')
await go(`/clients/${clientOf('Perrin')}/profile`)
await page.waitForSelector('[data-test="masses"]')
await shot('profile', { ...DESK, height: 1000 })
await page.setViewport(DESK)
await page.setViewport(PHONE)
await go(tilda)
await shot('client-phone')
await go(`/check-in/${entryOf('Orla').open.id}`)
await shot('folds-phone')
await page.setViewport(DESK)
await go(`/caller/${entryOf('Orla').open.id}`)
await shot('caller')
await go(`/check-in/${entryOf('Orla').open.id}`)
await page.keyboard.type('16.5')
await shot('folds')
await page.keyboard.press('Enter')
await enter([31])
await press('A use')
await enter([19.5, 15, 25, 9.5])
await enter(['62.4'])
await page.keyboard.press('Enter')
await pause(500)
await shot('result')
await press('Client view')
await shot('result-client')

await go(`/clients/${clientOf('Suki')}`)
await press('Start')
await pause(900)
await press('Tape only')
await press('Continue to landmarks')
await press('Continue to tape')
await enter(['31.5', '68'])
await page.keyboard.type('94.5')
await go('/reference')
const typed = {
  age: 41,
  height: 171,
  mass: 66,
  triceps: 17,
  suprailiac: 16,
  thigh: 24,
  abdominal: 20,
}
for (const [id, value] of Object.entries(typed)) await page.type(`#${id}`, String(value))
await page.evaluate(() => window.scrollTo(0, 0))
await shot('reference')
await go('/equipment')
await shot('equipment')

await close()
server.kill()
rmSync(folder, { recursive: true, force: true })

// The stand-in for a mail server would go on listening.
process.exit(0)
