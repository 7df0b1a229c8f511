import { say } from '#core'
import { eq, sql } from 'drizzle-orm'
import type { OwnProtocol } from '#core'
import type {
  InstrumentCheckForm,
  InstrumentForm,
  SettingsChange,
  TesterForm,
  ZeroCheck,
} from '#shared/contract/equipment'
import { FIRST_TESTER_NAME } from '#shared/contract/choices'
import type { Connection, Database } from '../database/driver'
import {
  instrumentCheckPoints,
  instrumentChecks,
  instruments,
  ownProtocols,
  people,
  settings,
  zeroChecks,
} from '../database/schema'
import { conflict, notFound } from '../http/errors'
import { equipmentExists, findProtocol } from './queries'

/** Ids of what every gym starts with, fixed so that starting twice adds nothing. */
const FIRST_TESTER = '0a4c0000-0000-4000-8000-000000000001'
const FIRST_CALIPER = '0a4c0000-0000-4000-8000-000000000002'
const FIRST_SCALE = '0a4c0000-0000-4000-8000-000000000003'
const FIRST_TAPE = '0a4c0000-0000-4000-8000-000000000004'
const ONE_ROW = 1

/** Puts in the tester, the instruments and the settings that an empty data folder needs before the first check-in. */
export async function ensureGym(db: Database): Promise<void> {
  await db
    .insert(people)
    .values({ id: FIRST_TESTER, name: FIRST_TESTER_NAME })
    .onConflictDoNothing()
  await db
    .insert(instruments)
    .values([
      { id: FIRST_CALIPER, kind: 'caliper', name: 'Caliper', graduation: 0.5, jaws: 'spring' },
      { id: FIRST_SCALE, kind: 'scale', name: 'Scale', graduation: 0.1 },
      { id: FIRST_TAPE, kind: 'tape', name: 'Tape', graduation: 0.1, checkEveryDays: 365 },
    ])
    .onConflictDoNothing()
  await db
    .insert(settings)
    .values({
      id: ONE_ROW,
      testerId: FIRST_TESTER,
      caliperId: FIRST_CALIPER,
      tapeId: FIRST_TAPE,
      scaleId: FIRST_SCALE,
    })
    .onConflictDoNothing()
}

/** Gives the first tester a name. */
export async function nameFirstTester(db: Database, name: string): Promise<void> {
  await db.update(people).set({ name }).where(eq(people.id, FIRST_TESTER))
}

/** Writes down what is in use from now on. */
export async function keepInUse(db: Connection, change: SettingsChange): Promise<void> {
  if (Object.keys(change).length > 0) {
    await db.update(settings).set(change).where(eq(settings.id, ONE_ROW))
  }
}

/** Changes the gym's defaults or what is in use, once all of it is there. */
export async function changeSettings(db: Database, change: SettingsChange): Promise<void> {
  if (!(await equipmentExists(db, change))) throw notFound(say('api.suchTesterInstrument'))
  const { defaultProtocolId } = change
  if (defaultProtocolId !== undefined && !(await findProtocol(db, defaultProtocolId))) {
    throw notFound(say('api.protocolThereNone', { protocolId: defaultProtocolId }))
  }
  await keepInUse(db, change)
}

type WithoutId<Form> = Omit<Form, 'id'>

/** A form as it is stored: when somebody or something left, in place of whether. */
const stored = <T extends { retired: boolean }>({ retired, ...form }: T) => ({
  ...form,
  retiredAt: retired ? new Date() : null,
})

/** Adds somebody who measures; adding the same id again changes nothing. */
export async function addTester(db: Database, form: TesterForm): Promise<void> {
  await db.insert(people).values(stored(form)).onConflictDoNothing()
}

export async function changeTester(
  db: Database,
  id: string,
  form: WithoutId<TesterForm>,
): Promise<void> {
  const changed = await db.update(people).set(stored(form)).where(eq(people.id, id)).returning()
  if (changed.length === 0) throw notFound(say('api.suchTester'))
}

/** Adds an instrument; adding the same id again changes nothing. */
export async function addInstrument(db: Database, form: InstrumentForm): Promise<void> {
  await db.insert(instruments).values(stored(form)).onConflictDoNothing()
}

export async function changeInstrument(
  db: Database,
  id: string,
  form: WithoutId<InstrumentForm>,
): Promise<void> {
  const mine = eq(instruments.id, id)
  const changed = await db.update(instruments).set(stored(form)).where(mine).returning()
  if (changed.length === 0) throw notFound(say('api.suchInstrument'))
}

/** Keeps what an instrument read against something known; keeping the same id again keeps it once. */
export async function addInstrumentCheck(
  db: Database,
  instrumentId: string,
  { id, checkedOn, closingForce, points }: InstrumentCheckForm,
): Promise<void> {
  await db.transaction(async (tx) => {
    const there = await tx
      .select({ id: instruments.id })
      .from(instruments)
      .where(eq(instruments.id, instrumentId))
    if (there.length === 0) throw notFound(say('api.suchInstrument'))
    const added = await tx
      .insert(instrumentChecks)
      .values({ id, instrumentId, checkedOn, closingForce })
      .onConflictDoNothing()
      .returning()
    if (added.length === 0) return
    await tx
      .insert(instrumentCheckPoints)
      .values(points.map((point, i) => ({ checkId: id, place: i + 1, ...point })))
  })
}

/** Keeps what a closed caliper or an empty scale reads; keeping the same id again keeps it once. */
export async function addZeroCheck(
  db: Database,
  instrumentId: string,
  check: ZeroCheck,
  today: string,
): Promise<void> {
  const there = await db
    .select({ kind: instruments.kind })
    .from(instruments)
    .where(eq(instruments.id, instrumentId))
  if (there.length === 0) throw notFound(say('api.suchInstrument'))
  await db
    .insert(zeroChecks)
    .values({ ...check, instrumentId, checkedOn: today })
    .onConflictDoNothing()
}

/** Has results put an instrument's readings right from now on, or no longer. */
export async function correctInstrument(
  db: Database,
  id: string,
  isCorrected: boolean,
): Promise<void> {
  const mine = eq(instruments.id, id)
  const changed = await db.update(instruments).set({ isCorrected }).where(mine).returning()
  if (changed.length === 0) throw notFound(say('api.suchInstrument'))
}

/** Keeps a protocol of the coach's own; saving the same id again replaces it for check-ins to come. */
export async function saveOwnProtocol(db: Database, definition: OwnProtocol): Promise<void> {
  await db
    .insert(ownProtocols)
    .values({ id: definition.id, definition })
    .onConflictDoUpdate({ target: ownProtocols.id, set: { definition, retiredAt: null } })
}

/** Takes an own protocol off the list; check-ins taken by it keep their copy. */
export async function retireOwnProtocol(db: Database, id: string): Promise<void> {
  const [inUse] = await db
    .select({ id: settings.id })
    .from(settings)
    .where(eq(settings.defaultProtocolId, id))
  if (inUse) {
    throw conflict(say('api.protocolGymsDefaultChooseAnother'), 'in-use')
  }
  const retired = await db
    .update(ownProtocols)
    .set({ retiredAt: sql`coalesce(${ownProtocols.retiredAt}, now())` })
    .where(eq(ownProtocols.id, id))
    .returning()
  if (retired.length === 0) throw notFound(say('api.suchProtocol'))
}
