import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { launch } from 'puppeteer-core'

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/**
 * Headless Chromium with an empty profile of its own, for pictures and for tests. It reads kg and cm.
 *
 * @param {import('puppeteer-core').LaunchOptions} options besides
 */
export async function openChromium(options = {}) {
  const userDataDir = mkdtempSync(join(tmpdir(), 'oak-pinch-chromium-'))
  const browser = await launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    headless: true,
    userDataDir,
    args: FLAGS,
    ...options,
  })
  // What is typed counts in kg and cm, whatever the language of the pages thinks in.
  await setCookies(browser, { 'oak-pinch-mass-unit': 'kg', 'oak-pinch-length-unit': 'cm' })
  return {
    browser,
    async close() {
      await browser.close()
      rmSync(userDataDir, { recursive: true, force: true, maxRetries: 3 })
    },
  }
}

/**
 * What a device has chosen.
 *
 * @param {import('puppeteer-core').Browser} browser
 * @param {Record<string, string>} values by name
 */
export async function setCookies(browser, values) {
  const of = { domain: '127.0.0.1', path: '/' }
  await browser.setCookie(
    ...Object.entries(values).map(([name, value]) => ({ name, value, ...of })),
  )
}
