import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { readOwnProtocol, resultOf, sheetOf } from '#core'
import { openDatabase } from '../../server/database/driver'
import { firstMigrations } from '../../server/database/migrations-folder'
import { listCheckIns } from '../../server/check-ins/queries'
import { findClient } from '../../server/clients/queries'
import { findRoster } from '../../server/clients/roster'
import { ensureGym } from '../../server/equipment/commands'
import { findGym, findSettings } from '../../server/equipment/queries'
import { findToday } from '../../server/today/queries'
import { migrations } from './support/global'

const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-migrations-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** The migrations as they were when there were only so many. */
function firstOf(count: number): string {
  const then = firstMigrations(migrations, count)!
  removals.push(then.remove)
  return then.folder
}
const removals: (() => void)[] = []
afterAll(() => removals.forEach((remove) => remove()))

const quoted = (value: unknown) =>
  value === null ? 'null' : typeof value === 'number' ? String(value) : `'${String(value)}'`

// The oldest, one between, and the last before sites and testers were told apart otherwise.
test.each([2, 4, 7])(
  'a data folder of the first %i migrations opens with everything that was in it',
  async (count) => {
    const data = join(folder, `data-${count}`)
    const ids = Object.fromEntries(
      ['client', 'coach', 'checkIn', 'slip', 'mended'].map((name) => [name, randomUUID()]),
    ) as Record<'client' | 'coach' | 'checkIn' | 'slip' | 'mended', string>
    const old = await openDatabase(data, firstOf(count))
    const insert = (table: string, row: Record<string, unknown>) =>
      old.engine.exec(
        `insert into ${table} (${Object.keys(row).join(', ')}) values (${Object.values(row).map(quoted).join(', ')})`,
      )
    await insert('coaches', { id: ids.coach, name: 'Old Hand' })
    await insert('clients', {
      ...{ id: ids.client, name: 'Olga Older', sex: 'female', birth_date: '1988-02-03' },
      cadence_days: 21,
    })
    await insert('heights', {
      ...{ id: randomUUID(), client_id: ids.client, value_cm: 168, unit: 'cm', typed: '168' },
      taken_on: '2026-01-05',
    })
    await insert('check_ins', {
      ...{ id: ids.checkIn, client_id: ids.client, coach_id: ids.coach, protocol_id: 'three-fold' },
      ...{ conversion: 'siri', measured_on: '2026-01-05' },
      ...{ started_at: '2026-01-05T08:00:00Z', closed_at: '2026-01-05T08:20:00Z' },
    })
    const reading = (id: string, kind: string, site: string | null, value: number, more = {}) =>
      insert('readings', {
        ...{ id, check_in_id: ids.checkIn, kind, site, school: site && 'us', pass: 1, value },
        ...{ unit: kind === 'mass' ? 'kg' : 'mm', typed: value, coach_id: ids.coach },
        ...{ taken_at: '2026-01-05T08:10:00Z', ...more },
      })
    await reading(ids.slip, 'skinfold', 'triceps', 81)
    await reading(ids.mended, 'skinfold', 'triceps', 18, { supersedes: ids.slip })
    await reading(randomUUID(), 'skinfold', 'suprailiac', 15)
    await reading(randomUUID(), 'skinfold', 'thigh', 27)
    await reading(randomUUID(), 'mass', null, 62)
    await old.close()

    const { db, engine, close } = await openDatabase(data, migrations)
    try {
      await ensureGym(db)
      const client = (await findClient(db, ids.client))!
      expect(client).toMatchObject({
        ...{ name: 'Olga Older', birthDate: '1988-02-03', cadenceDays: 21, heightCm: 168 },
        ...{ showPercentages: true, hiddenOnLeaderboards: false, archived: false, nextDueOn: null },
      })
      const [checkIn, ...more] = await listCheckIns(db, ids.client)
      expect(more).toEqual([])
      expect(checkIn).toMatchObject({
        ...{ id: ids.checkIn, skipped: [], conditions: {}, consent: null, voided: null },
      })
      expect(checkIn!.readings.map(({ value }) => value)).toEqual([81, 18, 15, 27, 62])
      // The correction counts, and not the slip: 18 + 15 + 27.
      const result = resultOf(client, checkIn!)
      expect(result.ok && result.value.sumMm).toBe(60)
      const { measure } = await findToday(db, '2026-02-01')
      expect(measure.shown.map(({ lastMeasuredOn }) => lastMeasuredOn)).toEqual(['2026-01-05'])
      const asked = { search: 'older', sort: 'name', descending: false, page: 1 } as const
      expect((await findRoster(db, asked, '2026-02-01')).entries[0]).toMatchObject({
        ...{ checkIns: 1, dueOn: '2026-01-26', state: 'late' },
      })
      expect((await findSettings(db)).defaultProtocolId).toBe('seven-fold')
      await expect(
        engine.query('update readings set value_canonical = 1 where id = $1', [ids.slip]),
      ).rejects.toThrow(/append-only/)
    } finally {
      await close()
    }
  },
  // Every migration since is run, in a database that starts from nothing.
)

test('goals for a sum, and the narrow waist of weekly sheets at home, stay what they were', async () => {
  const data = join(folder, 'data-of-eight')
  const ids = Object.fromEntries(
    ['client', 'tester', 'checkIn', 'plan'].map((name) => [name, randomUUID()]),
  ) as Record<'client' | 'tester' | 'checkIn' | 'plan', string>
  const old = await openDatabase(data, firstOf(8))
  await old.engine.exec(`
    insert into people (id, name) values ('${ids.tester}', 'Old Hand');
    insert into clients (id, name, sex, birth_date, cadence_days)
      values ('${ids.client}', 'Hanna Home', 'female', '1988-02-03', 7);
    insert into check_ins (id, client_id, tester_id, protocol_id, conversion, measured_on, started_at, closed_at)
      values ('${ids.checkIn}', '${ids.client}', '${ids.tester}', 'home-weekly', 'siri', '2026-01-05',
        '2026-01-05T08:00:00Z', '2026-01-05T08:10:00Z');
    insert into readings (id, check_in_id, kind, site, trial, value_canonical, typed_unit, typed_text, tester_id, taken_at)
      values ('${randomUUID()}', '${ids.checkIn}', 'girth', 'waist', 1, 71.5, 'cm', '71.5', '${ids.tester}',
        '2026-01-05T08:05:00Z');
    insert into plans (id, client_id, started_on, definition)
      values ('${ids.plan}', '${ids.client}', '2026-01-05', '{"goal": {"kind": "sum", "value": 60}, "weeks": 12}');
  `)
  await old.close()
  const { db, engine, close } = await openDatabase(data, migrations)
  try {
    const [checkIn] = await listCheckIns(db, ids.client)
    // The set asks for the waist at the navel now; the narrow one is a girth taken besides, and still counts.
    expect(checkIn!.extraGirths).toEqual(['waist'])
    const client = (await findClient(db, ids.client))!
    expect(sheetOf(client, checkIn!).sites.waist!.value).toBe(71.5)
    const { rows } = await engine.query<{ goal: unknown }>(
      `select definition -> 'goal' as goal from plans where id = $1`,
      [ids.plan],
    )
    expect(rows).toEqual([{ goal: { kind: 'equationSum', value: 60 } }])
  } finally {
    await close()
  }
})

test('sets of a coach’s own are read as they were, in the list and in the check-ins taken by them', async () => {
  const data = join(folder, 'data-of-ten')
  const [client, tester, checkIn] = [randomUUID(), randomUUID(), randomUUID()]
  const sets = [
    ...[1, 2, 3].map((rounds) => ({ standard: 'us', folds: ['thigh'], rounds, toleranceMm: 1.5 })),
    { standard: 'int', folds: ['front_thigh'], rounds: 2, toleranceMm: 1 },
  ].map((set, i) => ({ id: `own-${i}`, name: `Set ${i}`, girths: ['waist'], ...set }))
  const old = await openDatabase(data, firstOf(10))
  await old.engine.exec(`
    insert into people (id, name) values ('${tester}', 'Old Hand');
    insert into clients (id, name, sex, birth_date, cadence_days)
      values ('${client}', 'Oda Own', 'female', '1988-02-03', 7);
    ${sets
      .map(
        (set) =>
          `insert into own_protocols (id, definition) values ('${set.id}', '${JSON.stringify(set)}');`,
      )
      .join('\n')}
    insert into check_ins (id, client_id, tester_id, protocol_id, own_protocol, conversion, measured_on, started_at)
      values ('${checkIn}', '${client}', '${tester}', 'own-1', '${JSON.stringify(sets[1])}', 'siri', '2026-01-05',
        '2026-01-05T08:00:00Z');
    insert into readings (id, check_in_id, kind, site, standard, trial, value_canonical, typed_unit, typed_text, tester_id,
      taken_at)
      values ('${randomUUID()}', '${checkIn}', 'skinfold', 'thigh', 'us', 1, 21.5, 'mm', '21.5', '${tester}',
        '2026-01-05T08:05:00Z');
  `)
  await old.close()
  const { db, close } = await openDatabase(data, migrations)
  try {
    // The core reads a set of that version by itself; the database has made the same of it.
    const read = sets.map((set) => readOwnProtocol(set))
    await ensureGym(db)
    const { ownProtocols } = await findGym(db, '2026-01-06')
    expect(ownProtocols.sort((a, b) => a.id.localeCompare(b.id))).toEqual(read)
    const [taken] = await listCheckIns(db, client)
    expect(taken!.ownProtocol).toEqual(read[1])
    expect(taken!.readings[0]).toMatchObject({ technique: null, value: 21.5 })
    expect(sheetOf((await findClient(db, client))!, taken!).sites.thigh!.value).toBe(21.5)
  } finally {
    await close()
  }
})
