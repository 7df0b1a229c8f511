/* The application's icons for a phone's home screen, drawn from public/icon.svg: `node scripts/icons.mjs`. */
import { mkdirSync, readFileSync } from 'node:fs'
import { openChromium } from './chromium.mjs'

const svg = readFileSync('public/icon.svg', 'utf8')
const OAK = '#74481F'
const ICONS = [
  { file: 'icon-192', size: 192, share: 1 },
  { file: 'icon-512', size: 512, share: 1 },
  // A phone cuts its own shape out of these: the sign keeps to the middle, and the ground goes to the edge.
  { file: 'mask-512', size: 512, share: 0.8, ground: OAK },
  { file: 'touch-180', size: 180, share: 0.9, ground: OAK },
]

mkdirSync('public/icons', { recursive: true })
const { browser, close } = await openChromium()
const page = await browser.newPage()
for (const { file, size, share, ground = 'transparent' } of ICONS) {
  await page.setViewport({ width: size, height: size })
  const side = Math.round(size * share)
  await page.setContent(
    `<body style="margin:0;display:grid;place-items:center;height:100vh;background:${ground}">
      <div style="width:${side}px;height:${side}px">${svg}</div>`,
  )
  await page.screenshot({ path: `public/icons/${file}.png`, omitBackground: true })
}
await close()
