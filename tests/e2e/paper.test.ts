import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { execFileSync } from 'node:child_process'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, test } from 'vitest'
import type { Roster } from '#shared/contract/roster'
import { visit } from './support/browser'
import { press, useFloor, violations } from './support/floor'

/* A page on paper: seen as it is handed over, saved, and with the numbers of the screen. */

const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-paper-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const floor = useFloor({ demo: true })

async function saved(name: RegExp): Promise<Buffer> {
  for (;;) {
    const file = readdirSync(folder).find((one) => name.test(one))
    if (file) return readFileSync(join(folder, file))
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
}

test('a client’s page is seen, saved as PDF and as a picture, and says what the screen says', async () => {
  const { page, server } = floor
  const found = await fetch(`${server.url}/api/clients?search=Tilda`)
  const { entries } = (await found.json()) as Roster
  const id = entries[0]!.client.id
  await visit(page, `${server.url}/clients/${id}`)
  const row = await page.waitForSelector('[data-test="since-phase"]')
  const screen = await row!.evaluate((at) => (at as HTMLElement).innerText)
  const [, fat] = /fat\s+[−-](\d+\.\d)/.exec(screen)!

  const downloads = await page.createCDPSession()
  await downloads.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder })
  await visit(page, `${server.url}/clients/${id}/share`)
  await page.waitForSelector('[data-test="paper-1"]')
  const seen = await page.$eval('[data-test="paper-1"]', (at) => ({
    text: (at as HTMLImageElement).alt,
    width: (at as HTMLImageElement).naturalWidth,
  }))
  expect(seen.text).toContain('Tilda, you lost')
  expect(seen.width).toBeGreaterThan(1000)
  expect(await violations(page)).toEqual([])

  await press(page, 'Save PDF')
  const pdf = await saved(/\.pdf$/)
  const text = execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, encoding: 'utf8' })
  const unit = /lost (\d+\.\d) (kg|lb)/.exec(text)!
  expect(unit[1]).toBe(fat)
  await press(page, 'Save picture')
  expect((await saved(/\.png$/)).subarray(1, 4).toString('latin1')).toBe('PNG')

  await press(page, 'For a coach or clinician')
  await page.waitForFunction(() =>
    (document.querySelector('[data-test="paper-2"]') as HTMLImageElement | null)?.alt.includes(
      'Working',
    ),
  )
})
