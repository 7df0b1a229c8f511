import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { amcheck } from '@electric-sql/pglite/contrib/amcheck'
import { randomLcg, randomUniform } from 'd3-random'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { RecordEngine, EngineDied } from '../../server/database/engine'
import { syncTree } from '../../server/database/durable-fs'
import { holdFolder, makeDatabase } from '../../server/database/record-folder'
import { ensureTemplate, fromTemplate } from '../support/template'
import { Recorder } from './support/disk'

/*
 * What is left of a record after the power was cut, at random moments of a workload from the creation of the folder to
 * its end. The whole of it, 200 images: `npm run test:power`. That the test can fail is shown by PGlite as it is.
 */

const IMAGES = Number(process.env.OAK_PINCH_IMAGES ?? 24)
const scratch = mkdtempSync(join(tmpdir(), 'oak-pinch-power-'))

beforeAll(ensureTemplate)
afterAll(() => rmSync(scratch, { recursive: true, force: true }))

const TEXT = 'a line that stands for what somebody typed '.repeat(20)

/** Rows one by one, some changed, some deleted together, with checkpoints and new segments of the log in between. */
async function work(engine: PGlite, disk: Recorder, rows: number): Promise<void> {
  await engine.exec('create table if not exists taken (id int primary key, text text, also int)')
  await engine.exec('create index if not exists taken_also on taken (also)')
  for (let id = 1; id <= rows; id++) {
    await engine.query('insert into taken values ($1, $2, $3)', [id, TEXT, id % 7])
    disk.acknowledged(id)
    if (id % 9 === 0)
      await engine.query('update taken set also = also + 1 where id % 9 = $1', [id % 5])
    if (id % 40 === 0) await engine.exec('checkpoint')
    if (id % 55 === 0) await engine.exec('select pg_switch_wal()')
    if (id === Math.floor(rows / 2)) {
      await engine.exec('create table moved as select * from taken')
      await engine.exec('vacuum full taken')
      await engine.exec('drop table moved')
    }
  }
}

/** Opens what a cut left as the server does, and says which rows are there. @throws when anything in it is broken */
async function look(image: string): Promise<Set<number>> {
  const held = await holdFolder(image, fromTemplate, true)
  const engine = await RecordEngine.open(held.database, undefined, { extensions: { amcheck } })
  try {
    await engine.exec('create extension if not exists amcheck')
    const { rows: indexes } = await engine.query<{ name: string }>(
      `select c.oid::regclass::text as name from pg_index i join pg_class c on c.oid = i.indexrelid
       join pg_am a on a.oid = c.relam where a.amname = 'btree' and c.relpersistence = 'p'`,
    )
    for (const { name } of indexes)
      await engine.query('select bt_index_check($1::regclass, true)', [name])
    const { rows: there } = await engine.query<{ there: boolean }>(
      `select to_regclass('taken') is not null as there`,
    )
    if (!there[0]!.there) return new Set()
    const { rows: broken } = await engine.query(`select * from verify_heapam('taken')`)
    expect(broken).toEqual([])
    const { rows } = await engine.query<{ id: number; text: string }>('select id, text from taken')
    for (const { text } of rows) expect(text).toBe(TEXT)
    const counted = await engine.query<{ n: number }>('select count(*)::int as n from taken')
    expect(counted.rows[0]!.n).toBe(rows.length)
    return new Set(rows.map(({ id }) => id))
  } finally {
    await engine.close()
    await held.release()
  }
}

/** Images of random moments; how many of them lost an acknowledged row or do not open. */
async function cuts(disk: Recorder, images: number, from = 0): Promise<string[]> {
  const random = randomUniform.source(randomLcg(0.4711))(0, 1)
  const lost: string[] = []
  for (let n = 0; n < images; n++) {
    const moment = from + Math.floor(random() * (disk.events.length - from + 1))
    const [harsh, dropped] = [n % 2 === 1, n % 4 < 2]
    const image = join(scratch, `image-${n}`)
    mkdirSync(image)
    disk.rebuild(moment, image, { names: harsh, keep: () => !dropped && random() < 0.5 })
    const what = `image ${n}, moment ${moment} of ${disk.events.length}`
    try {
      const there = await look(image)
      const missing = [...disk.acknowledgedBy(moment)].filter((id) => !there.has(id))
      if (missing.length) lost.push(`${what}: ${missing.length} rows missing`)
    } catch (error) {
      lost.push(`${what}: ${error instanceof Error ? error.message : String(error)}`)
    }
    rmSync(image, { recursive: true, force: true })
  }
  return lost
}

describe('a cut of the power', () => {
  test(
    `loses nothing that was acknowledged, in ${IMAGES} images from the creation on`,
    async () => {
      const folder = join(scratch, 'ours')
      const disk = new Recorder(folder)
      try {
        const held = await holdFolder(folder, fromTemplate, true)
        const engine = await RecordEngine.open(held.database)
        await work(engine, disk, 220)
        await engine.close()
        await held.release()
      } finally {
        disk.end()
      }
      expect(await cuts(disk, IMAGES)).toEqual([])
    },
    60_000 + IMAGES * 10_000,
  )

  test('is seen by this test: PGlite as it is loses rows, on a folder that was written through before', async () => {
    const folder = join(scratch, 'plain')
    mkdirSync(folder)
    await makeDatabase(folder, fromTemplate)
    syncTree(folder)
    const disk = new Recorder(folder)
    const from = disk.events.length
    try {
      const engine = await PGlite.create(join(folder, 'db'))
      await work(engine, disk, 120)
    } finally {
      disk.end()
    }
    const lost = await cuts(disk, 6, from)
    expect(lost.length).toBeGreaterThanOrEqual(4)
  })
})

describe('a disk that fails', () => {
  test.each([
    ['fsync', 'EIO'],
    ['fsync', 'ENOSPC'],
    ['write', 'ENOSPC'],
  ] as const)(
    '%s: %s ends the engine or refuses, and every acknowledged row is there after a start',
    async (on, code) => {
      const folder = join(scratch, `${on}-${code}`)
      const disk = new Recorder(folder)
      const acknowledged: number[] = []
      let deaths = 0
      let error: unknown
      try {
        const held = await holdFolder(folder, fromTemplate, true)
        const engine = await RecordEngine.open(held.database, () => deaths++)
        await engine.exec('create table taken (id int primary key, text text, also int)')
        for (let id = 1; id <= 400 && !error; id++) {
          if (id === 30) disk.failure = { on, code }
          try {
            await engine.query('insert into taken values ($1, $2, $3)', [id, TEXT, id])
            acknowledged.push(id)
          } catch (refused) {
            error = refused
          }
        }
        // What is called after the end is refused at once, and never waited for.
        if (deaths) await expect(engine.query('select 1')).rejects.toBeInstanceOf(EngineDied)
        await held.release()
      } finally {
        disk.failure = undefined
        disk.end()
      }
      expect(error).toBeInstanceOf(Error)
      expect(acknowledged.length).toBeGreaterThanOrEqual(29)
      if (on === 'fsync') expect(deaths).toBe(1)
      const there = await look(folder)
      expect(acknowledged.filter((id) => !there.has(id))).toEqual([])
    },
  )
})
