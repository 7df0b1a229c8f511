import { bornFrom, say } from '#core'
import { and, asc, desc, eq, isNull, ne, sql } from 'drizzle-orm'
import type { NewCheckIn } from '#shared/contract/check-ins'
import { audit } from '../audit/log'
import { clientOr404 } from '../clients/queries'
import type { Connection, Database } from '../database/driver'
import { checkInExtraGirths, checkIns, people, readings } from '../database/schema'
import { proposedInstruments } from '../equipment/doubts'
import { findProtocol, findSettings, listInstruments } from '../equipment/queries'
import { conflict, notFound, Refusal } from '../http/errors'

type CheckInRow = typeof checkIns.$inferSelect

/** The check-in's row, held until the transaction ends. */
export async function lockedCheckIn(tx: Connection, id: string): Promise<CheckInRow> {
  const [row] = await tx.select().from(checkIns).where(eq(checkIns.id, id)).for('update')
  if (!row) throw notFound(say('api.suchCheck'))
  return row
}

/** A check-in is of a day on which its client was born. */
export async function assertAfterBirth(tx: Connection, clientId: string, measuredOn: string) {
  const born = bornFrom(await clientOr404(tx, clientId))
  if (born && measuredOn < born) {
    throw new Refusal(422, say('api.measuredGotAcceptedDayAfter', { measuredOn, born }), {
      field: 'measuredOn',
      code: 'refused',
    })
  }
}

/** Who measured this client last and still measures here; else who measured last of all. */
async function usualTester(tx: Connection, last: CheckInRow | undefined, inUse: string | null) {
  if (!last) return inUse
  const [tester] = await tx
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.id, last.testerId), isNull(people.retiredAt)))
  return tester?.id ?? inUse
}

/** The id of the client's check-in that is under way on the floor, if one is. */
async function findOpen(tx: Connection, clientId: string): Promise<string | undefined> {
  const [open] = await tx
    .select({ id: checkIns.id })
    .from(checkIns)
    .where(
      and(
        eq(checkIns.clientId, clientId),
        isNull(checkIns.voidedAt),
        isNull(checkIns.closedAt),
        eq(checkIns.fromPaper, false),
      ),
    )
    .limit(1)
  return open?.id
}

/**
 * Starts a check-in by the protocol, conversion and tester of the client's last one, unless another protocol is asked
 * for, with the instruments in use, as far as they read true. Starting the same id twice starts it once; where one is under way already, that one
 * is given back, except for a paper sheet that is entered beside it.
 *
 * @returns the id of the one that is under way
 */
export async function startCheckIn(db: Database, start: NewCheckIn): Promise<string> {
  return db.transaction(async (tx) => {
    await assertAfterBirth(tx, start.clientId, start.measuredOn)
    const [same] = await tx.select().from(checkIns).where(eq(checkIns.id, start.id))
    if (same && same.clientId !== start.clientId) {
      throw conflict(say('api.idBelongsCheckAnotherClient'), 'id-taken', 'id')
    }
    if (same) return same.id
    const paper = start.fromPaper ?? false
    const mine = and(eq(checkIns.clientId, start.clientId), isNull(checkIns.voidedAt))
    const open = paper ? undefined : await findOpen(tx, start.clientId)
    if (open) return open
    const [last] = await tx
      .select()
      .from(checkIns)
      .where(and(mine, ne(checkIns.id, start.id)))
      .orderBy(desc(checkIns.measuredOn), desc(checkIns.startedAt))
      .limit(1)
    const { defaultProtocolId, testerId, standard: _, ...inUse } = await findSettings(tx)
    const asked =
      start.protocolId === undefined
        ? last && { protocolId: last.protocolId, ownProtocol: last.ownProtocol }
        : undefined
    const protocol = asked ?? (await findProtocol(tx, start.protocolId ?? defaultProtocolId))
    if (!protocol) throw notFound(say('api.protocolThereNone', { protocolId: start.protocolId }))
    const proposed = proposedInstruments(await listInstruments(tx), inUse)
    await tx.insert(checkIns).values({
      ...proposed,
      ...protocol,
      id: start.id,
      clientId: start.clientId,
      testerId: (await usualTester(tx, last, testerId))!,
      conversion: last?.conversion ?? 'siri',
      measuredOn: start.measuredOn,
      startedAt: new Date(start.startedAt),
      fromPaper: paper,
    })
    if (last) {
      const girths = await tx
        .select({ girth: checkInExtraGirths.girth })
        .from(checkInExtraGirths)
        .where(eq(checkInExtraGirths.checkInId, last.id))
        .orderBy(asc(checkInExtraGirths.position))
      if (girths.length > 0) {
        await tx
          .insert(checkInExtraGirths)
          .values(girths.map(({ girth }) => ({ checkInId: start.id, girth })))
      }
    }
    return start.id
  })
}

/** Whether anything was measured in the check-in. */
async function isMeasured(tx: Connection, id: string): Promise<boolean> {
  const found = await tx
    .select({ id: readings.id })
    .from(readings)
    .where(eq(readings.checkInId, id))
    .limit(1)
  return found.length > 0
}

/** Closes a check-in in which something was measured; closing twice keeps the first time. */
export async function closeCheckIn(db: Database, id: string, at: Date): Promise<void> {
  await db.transaction(async (tx) => {
    const { closedAt, voidedAt } = await lockedCheckIn(tx, id)
    if (closedAt) return
    if (voidedAt) throw conflict(say('api.checkVoidedRestoreFirst'), 'voided')
    if (!(await isMeasured(tx, id))) {
      throw conflict(say('api.nothingWasMeasuredCheckMeasure'), 'empty')
    }
    await tx.update(checkIns).set({ closedAt: at }).where(eq(checkIns.id, id))
  })
}

/** Throws away a check-in that was started by mistake: one in which nothing was measured. */
export async function discardCheckIn(db: Database, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    await lockedCheckIn(tx, id)
    if (await isMeasured(tx, id)) {
      throw conflict(say('api.somethingWasMeasuredCheckCan'), 'measured')
    }
    await tx.delete(checkIns).where(eq(checkIns.id, id))
  })
}

/**
 * Sets a check-in aside with the reason, or restores it. Nothing of it is deleted, and doing it twice is the same.
 *
 * @param reason null restores it
 */
export async function voidCheckIn(
  db: Database,
  id: string,
  reason: string | null,
  actor: string,
): Promise<void> {
  await db.transaction(async (tx) => {
    const before = await lockedCheckIn(tx, id)
    const voided = before.voidedAt !== null
    if (voided === (reason !== null)) return
    if (reason === null && before.closedAt === null && !before.fromPaper) {
      if (await findOpen(tx, before.clientId))
        throw conflict(say('api.anotherCheckClientUnderWay'), 'open')
    }
    await tx
      .update(checkIns)
      .set({
        voidedAt: reason === null ? null : new Date(),
        voidReason: reason,
        revision: sql`${checkIns.revision} + 1`,
      })
      .where(eq(checkIns.id, id))
    const about = { actor, subject: 'check-in' as const, clientId: before.clientId, checkInId: id }
    await audit(tx, { ...about, reason: reason ?? undefined }, [
      { field: 'voided', old: voided, new: !voided },
    ])
  })
}

/** Moves a check-in to another client; both logs say so, neither names the other. */
export async function moveCheckIn(
  db: Database,
  id: string,
  to: { clientId: string; reason: string },
  actor: string,
): Promise<void> {
  await db.transaction(async (tx) => {
    const before = await lockedCheckIn(tx, id)
    const client = await clientOr404(tx, to.clientId)
    if (client.id === before.clientId) {
      throw conflict(say('api.checkSAlready', { name: client.name }), 'same-client', 'clientId')
    }
    await assertAfterBirth(tx, to.clientId, before.measuredOn)
    await tx
      .update(checkIns)
      .set({ clientId: to.clientId, revision: sql`${checkIns.revision} + 1` })
      .where(eq(checkIns.id, id))
    for (const [clientId, old, now] of [
      [before.clientId, 'this client', 'another client'],
      [to.clientId, 'another client', 'this client'],
    ] as const) {
      const about = { actor, subject: 'check-in' as const, clientId, checkInId: id }
      await audit(tx, { ...about, reason: to.reason }, [{ field: 'client', old, new: now }])
    }
  })
}
