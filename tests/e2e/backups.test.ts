import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { PATIENCE } from '../support/patience'
import type { Backups } from '#shared/contract/backups'
import type { Roster } from '#shared/contract/roster'
import { enter, PHONE, textOf, visit, waitForText } from './support/browser'
import * as flow from './support/floor'
import { NOW, press, useFloor } from './support/floor'
import { onlyInFolder, TestServer } from './support/server'

const root = fileURLToPath(new URL('../..', import.meta.url))

describe('in Settings', () => {
  const floor = useFloor({ demo: true })

  test('the club is asked to test a backup, does, and restores one', async () => {
    const { page, server } = floor
    await visit(page, `${server.url}/`)
    await press(page, 'Test a restore of your backups: the last test was over a year ago')
    await page.waitForSelector('[data-test="backups"]')
    expect(await textOf(page, 'backup-concern')).toMatch(/^Test a restore\. The last test was on /)
    await press(page, 'Back up now')
    await waitForText(page, 'Backed up.')
    await press(page, 'Test')
    await waitForText(page, 'Your record is not touched.')
    await press(page, 'Test now')
    await waitForText(page, 'This backup works')
    const { entries, total } = await server.get<Roster>('/api/clients')
    expect(await textOf(page, 'backup-outcome')).toContain(`readings and`)
    await press(page, 'Close')
    await waitForText(page, 'A restore was last tested on')
    expect(await page.$('[data-test="backup-concern"]')).toBeNull()

    const since = await flow.addClient(server, 'Sid Since')
    await press(page, 'Restore')
    await waitForText(page, 'The present record is backed up first')
    await page.$$eval('[role="dialog"] button[type="submit"]', ([button]) =>
      (button as HTMLElement).click(),
    )
    await waitForText(page, 'Restored and compared with the backup')
    expect((await fetch(`${server.url}/api/clients/${since.id}`)).status).toBe(404)
    expect(await server.get<Roster>('/api/clients')).toMatchObject({ total })
    await press(page, 'Go to Today')
    await waitForText(page, entries.length ? 'to measure' : '')
    // What was there before it is to be had again.
    const { backups } = await server.get<Backups>('/api/backups')
    expect(backups[0]).toMatchObject({ reason: 'restore' })
  })

  test('fits a phone, names what is wrong with a folder, and locks', async () => {
    const { page, server } = floor
    await page.setViewport(PHONE)
    await visit(page, `${server.url}/settings`)
    await page.waitForSelector('#backup-second')
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(PHONE.width)
    await page.type('#backup-second', join(server.folder, 'nowhere'))
    await press(page, 'Save')
    await page.waitForSelector('#backup-second-error')
    const kept = await page.$eval('#backup-second', (e) => (e as HTMLInputElement).value)
    expect(kept).toContain('nowhere')
    await page.type('#backup-passphrase', 'too short')
    await press(page, 'Lock new backups')
    await page.waitForSelector('#backup-passphrase-error')
    await page.type('#backup-passphrase', ' no more')
    await press(page, 'Lock new backups')
    await waitForText(page, 'New backups are locked with a passphrase.')
    await press(page, 'Back up now')
    await waitForText(page, ', locked')
    expect(await flow.violations(page)).toEqual([])
  })
})

test('made-up data has no backups, and none of the record’s', async () => {
  const floor = await TestServer.create()
  try {
    const cookie = { headers: { cookie: 'oak-pinch-made-up=1' } }
    const seen = await fetch(`${floor.url}/api/backups`, cookie)
    expect(await seen.json()).toMatchObject({ folder: null, backups: [] })
    const made = await fetch(`${floor.url}/api/backups`, { ...cookie, method: 'POST' })
    expect(made.status).toBe(409)
  } finally {
    await floor.remove()
  }
})

onlyInFolder(() =>
  describe('a disk that is full', () => {
    const floor = useFloor()
    let flags: string
    let started: ChildProcess | undefined
    beforeEach(async () => {
      flags = mkdtempSync(join(tmpdir(), 'oak-pinch-full-'))
      await floor.server.stop()
    })
    afterEach(async () => {
      if (started?.exitCode === null) {
        started.kill('SIGTERM')
        await once(started, 'exit')
      }
      rmSync(flags, { recursive: true })
    })

    /** Has every write to a file fail as on a full disk while a file stands. */
    function fullWhile(flag: string): string {
      const script = join(flags, 'full-disk.mjs')
      writeFileSync(
        script,
        `import fs from 'node:fs'
      import { syncBuiltinESMExports } from 'node:module'
      const { writeSync, existsSync } = fs
      fs.writeSync = (...given) => {
        if (existsSync(${JSON.stringify(flag)}))
          throw Object.assign(new Error('ENOSPC: no space left on device, write'), { code: 'ENOSPC', errno: -28 })
        return writeSync(...given)
      }
      syncBuiltinESMExports()`,
      )
      return `--import=${pathToFileURL(script).href}`
    }

    test('stops the server, which is started again; the browser keeps the reading and sends it when there is room', async () => {
      const { page, server } = floor
      const flag = join(flags, 'full')
      started = spawn(process.execPath, ['scripts/start.mjs'], {
        cwd: root,
        env: {
          ...process.env,
          ...{ OAK_PINCH_DATA: server.folder, PORT: String(server.port) },
          NODE_OPTIONS: fullWhile(flag),
        },
      })
      let said = ''
      for (const stream of [started.stdout!, started.stderr!])
        stream.on('data', (chunk) => (said += chunk))
      await vi.waitUntil(() => said.includes('Oak Pinch: '), { timeout: PATIENCE })

      const id = await flow.secondCheckIn(server, 'Finn Fullproof')
      await page.goto(`${server.url}/check-in/${id}`)
      await flow.begin(page)
      await enter(page, NOW[0]!)
      await vi.waitUntil(
        async () => (await flow.viewOf(server, id)).checkIn.readings.length === 1,
        PATIENCE,
      )
      mkdirSync(flag)
      for (const value of NOW.slice(1, 4)) await enter(page, value)
      await waitForText(page, 'Make room on the disk of')
      // Started again by itself, it says what is wrong; what is on the disk is safe.
      await vi.waitUntil(() => said.includes('starting again'), { timeout: PATIENCE })
      await waitForText(page, 'kept here')
      const refused = await fetch(`${server.url}/api/check-ins/${id}`).catch(() => undefined)
      expect(refused?.status ?? 503).toBe(503)
      for (const value of NOW.slice(4, 6)) await enter(page, value)
      rmSync(flag, { recursive: true })
      await vi.waitUntil(
        async () =>
          (await flow.viewOf(server, id).catch(() => undefined))?.checkIn?.readings?.length === 6,
        { timeout: PATIENCE, interval: 500 },
      )
      const { readings } = (await flow.viewOf(server, id)).checkIn
      expect(readings.map(({ value }) => value)).toEqual(NOW.slice(0, 6))
      // A browser logs every answer of this kind by itself.
      expect(page.faults.filter((fault) => !/status of 50[37]/.test(fault))).toEqual([])
      page.faults.length = 0
    })
  }),
)

onlyInFolder(() =>
  test('two processes in two network namespaces never share a folder', async () => {
    const server = await TestServer.create()
    try {
      // Without a network of its own the second one still has to get past the lock on the file.
      const apart = [['-n'], ['-rn']].find(
        (how) => spawnSync('unshare', [...how, 'true']).status === 0,
      )
      expect(apart, 'unshare').toBeDefined()
      const { code, stderr } = await server.second(['unshare', ...apart!])
      expect(code).toBe(1)
      expect(stderr).toMatch(/is in use by another Oak Pinch/)
    } finally {
      await server.remove()
    }
  }),
)
