import { eq } from 'drizzle-orm'
import { plainName } from '#core'
import { FIRST_TESTER_NAME } from '#shared/contract/choices'
import type { ImportHead } from '#shared/contract/imports'
import type { Connection } from '../database/driver'
import * as schema from '../database/schema'
import { insertRows } from './rows'

/** Ids of a file by those on record. */
export interface Matched {
  people: ReadonlyMap<string, string>
  instruments: ReadonlyMap<string, string>
}

/** Who measures and with what: those on record by their id or their name, the others are put on record. */
export async function matchGym(tx: Connection, { gym }: Pick<ImportHead, 'gym'>): Promise<Matched> {
  const [people, instruments] = [
    await tx.select().from(schema.people),
    await tx.select().from(schema.instruments),
  ]
  const retiredAt = (retired: boolean) => (retired ? new Date() : null)
  const peopleMap = new Map<string, string>()
  for (const { id, name, skill, retired } of gym.people) {
    const there =
      people.find((one) => one.id === id) ??
      people.find((one) => plainName(one.name) === plainName(name))
    if (!there) {
      const [row] = await tx
        .insert(schema.people)
        .values({ id, name, skill, retiredAt: retiredAt(retired) })
        .returning()
      people.push(row!)
    } else if (there.name === FIRST_TESTER_NAME && name !== there.name) {
      // Nobody has said yet what whoever measures here is called.
      await tx.update(schema.people).set({ name, skill }).where(eq(schema.people.id, there.id))
    }
    peopleMap.set(id, there?.id ?? id)
  }
  const instrumentMap = new Map<string, string>()
  for (const { id, kind, name, retired, checks, ...more } of gym.instruments) {
    const there =
      instruments.find((one) => one.id === id) ??
      instruments.find((one) => one.kind === kind && plainName(one.name) === plainName(name))
    instrumentMap.set(id, there?.id ?? id)
    if (there) continue
    const [row] = await tx
      .insert(schema.instruments)
      .values({ id, kind, name, ...more, retiredAt: retiredAt(retired) })
      .returning()
    instruments.push(row!)
    for (const { points, id: checkId, checkedOn } of checks) {
      await tx.insert(schema.instrumentChecks).values({ id: checkId, instrumentId: id, checkedOn })
      await insertRows(
        tx,
        schema.instrumentCheckPoints,
        points.map((point, i) => ({ checkId, place: i + 1, ...point })),
      )
    }
  }
  for (const definition of gym.ownProtocols)
    await tx
      .insert(schema.ownProtocols)
      .values({ id: definition.id, definition: definition as never })
      .onConflictDoNothing()
  return { people: peopleMap, instruments: instrumentMap }
}
