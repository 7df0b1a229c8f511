import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { launch } from 'puppeteer-core'

/** Headless Chromium with an empty profile of its own, for pictures. */
export async function openChromium() {
  const userDataDir = mkdtempSync(join(tmpdir(), 'oak-pinch-chromium-'))
  const browser = await launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    headless: true,
    userDataDir,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-sync',
    ],
  })
  return {
    browser,
    async close() {
      await browser.close()
      rmSync(userDataDir, { recursive: true, force: true, maxRetries: 3 })
    },
  }
}
