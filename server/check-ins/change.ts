import { and, eq, sql } from 'drizzle-orm'
import { isDeepStrictEqual } from 'node:util'
import { checkedConversion, say, type GirthId, type OwnProtocol, type SiteId } from '#core'
import { clientOr404 } from '../clients/queries'
import type { CheckInChange } from '#shared/contract/check-ins'
import { audit, type FieldChange } from '../audit/log'
import type { Connection, Database } from '../database/driver'
import {
  checkInConditions,
  checkInExtraGirths,
  checkInRevisions,
  checkIns,
  checkInSkips,
} from '../database/schema'
import { keepInUse } from '../equipment/commands'
import { equipmentExists, findProtocol } from '../equipment/queries'
import { conflict, notFound, Refusal } from '../http/errors'
import { assertAfterBirth, lockedCheckIn } from './commands'

type CheckInRow = typeof checkIns.$inferSelect

/** One part of a check-in that becomes another, and how it is written. */
interface Part extends FieldChange {
  write(tx: Connection, checkInId: string): Promise<unknown>
}

const SCALARS = [
  'conversion',
  'consent',
  'massDry',
  'testerId',
  'caliperId',
  'tapeId',
  'boneCaliperId',
  'scaleId',
  'measuredOn',
] as const

/** The choices that stand in the row itself. */
async function scalarParts(
  tx: Connection,
  row: CheckInRow,
  change: CheckInChange,
): Promise<Part[]> {
  const set = (id: string, values: Partial<CheckInRow>) =>
    tx.update(checkIns).set(values).where(eq(checkIns.id, id))
  const parts = SCALARS.flatMap((field): Part[] => {
    const value = change[field]
    if (value === undefined) return []
    return [{ field, old: row[field], new: value, write: (_, id) => set(id, { [field]: value }) }]
  })
  const { protocolId } = change
  if (protocolId === undefined) return parts
  const protocol = await findProtocol(tx, protocolId)
  if (!protocol) throw notFound(say('api.protocolThereNone', { protocolId }))
  const { ownProtocol } = protocol as { ownProtocol: OwnProtocol | null }
  const write = (_: Connection, id: string) => set(id, { protocolId, ownProtocol })
  return [...parts, { field: 'protocolId', old: row.protocolId, new: protocolId, write }]
}

async function skipParts(tx: Connection, id: string, change: CheckInChange): Promise<Part[]> {
  if (!change.skips) return []
  const rows = await tx.select().from(checkInSkips).where(eq(checkInSkips.checkInId, id))
  const before = new Map(rows.map(({ site, reason }) => [site, reason]))
  return (Object.entries(change.skips) as [SiteId, string | null][]).map(([site, reason]) => ({
    field: `skips.${site}`,
    old: before.get(site) ?? null,
    new: reason,
    async write(on) {
      await on
        .delete(checkInSkips)
        .where(and(eq(checkInSkips.checkInId, id), eq(checkInSkips.site, site)))
      if (reason !== null) await on.insert(checkInSkips).values({ checkInId: id, site, reason })
    },
  }))
}

async function girthParts(tx: Connection, id: string, change: CheckInChange): Promise<Part[]> {
  if (!change.extraGirths) return []
  const rows = await tx
    .select()
    .from(checkInExtraGirths)
    .where(eq(checkInExtraGirths.checkInId, id))
  const before = new Set(rows.map(({ girth }) => girth))
  return (Object.entries(change.extraGirths) as [GirthId, boolean][]).map(([girth, wanted]) => ({
    field: `extraGirths.${girth}`,
    old: before.has(girth),
    new: wanted,
    async write(on) {
      if (wanted) {
        await on.insert(checkInExtraGirths).values({ checkInId: id, girth }).onConflictDoNothing()
      } else {
        await on
          .delete(checkInExtraGirths)
          .where(and(eq(checkInExtraGirths.checkInId, id), eq(checkInExtraGirths.girth, girth)))
      }
    },
  }))
}

async function conditionParts(tx: Connection, id: string, change: CheckInChange): Promise<Part[]> {
  if (!change.conditions) return []
  const rows = await tx.select().from(checkInConditions).where(eq(checkInConditions.checkInId, id))
  const before = new Map(rows.map(({ condition, value }) => [condition, value]))
  return Object.entries(change.conditions).map(([condition, chosen]) => {
    const value = chosen === undefined || chosen === '' ? null : chosen
    return {
      field: `conditions.${condition}`,
      old: before.get(condition) ?? null,
      new: value,
      async write(on: Connection) {
        const mine = and(
          eq(checkInConditions.checkInId, id),
          eq(checkInConditions.condition, condition),
        )
        await on.delete(checkInConditions).where(mine)
        if (value !== null) {
          await on.insert(checkInConditions).values({ checkInId: id, condition, value })
        }
      },
    }
  })
}

/** Refuses a change of what somebody else changed since the revision that it was made on. */
async function assertNoCollision(
  tx: Connection,
  row: CheckInRow,
  { revision: seen, window }: CheckInChange,
  parts: Part[],
) {
  const rows = await tx
    .select()
    .from(checkInRevisions)
    .where(eq(checkInRevisions.checkInId, row.id))
  // What this window changed itself is no collision, even where it has not heard the answer yet.
  const others = rows.filter((r) => window === undefined || r.window !== window)
  const changedAt = new Map(others.map(({ field, revision }) => [field, revision]))
  const collided = parts.find(({ field }) => (changedAt.get(field) ?? 0) > seen)
  if (!collided) return
  const { old } = collided
  const now =
    typeof old === 'string' ? say('errors.quoted', { text: old }) : say('api.anotherChoice')
  throw new Refusal(409, say('api.wasChangedMeanwhileAnotherWindow', { now }), {
    field: collided.field,
    code: 'changed-meanwhile',
  })
}

/**
 * Changes what a check-in says of itself, all of it or nothing. What two windows changed apart goes together; what they
 * both changed is refused to the second. People and instruments are remembered for the next check-in, and every change
 * of a closed one is written into the audit log.
 */
export async function changeCheckIn(
  db: Database,
  id: string,
  change: CheckInChange,
  actor: string,
): Promise<void> {
  await db.transaction(async (tx) => {
    const row = await lockedCheckIn(tx, id)
    if (row.voidedAt) throw conflict(say('api.checkVoidedRestoreFirst'), 'voided')
    if (!(await equipmentExists(tx, change))) throw notFound(say('api.suchTesterInstrument'))
    if (change.measuredOn) await assertAfterBirth(tx, row.clientId, change.measuredOn)
    if (change.conversion) {
      checkedConversion(change.conversion, (await clientOr404(tx, row.clientId)).sex)
    }
    const all = [
      ...(await scalarParts(tx, row, change)),
      ...(await skipParts(tx, id, change)),
      ...(await girthParts(tx, id, change)),
      ...(await conditionParts(tx, id, change)),
    ]
    const parts = all.filter((part) => !isDeepStrictEqual(part.old, part.new))
    if (parts.length === 0) return
    await assertNoCollision(tx, row, change, parts)
    const revision = row.revision + 1
    for (const part of parts) await part.write(tx, id)
    await tx.update(checkIns).set({ revision }).where(eq(checkIns.id, id))
    await tx
      .insert(checkInRevisions)
      .values(parts.map(({ field }) => ({ checkInId: id, field, revision, window: change.window })))
      .onConflictDoUpdate({
        target: [checkInRevisions.checkInId, checkInRevisions.field],
        set: { revision: sql`excluded.revision`, window: sql`excluded."window"` },
      })
    if (row.closedAt) {
      const about = { actor, subject: 'check-in' as const, clientId: row.clientId, checkInId: id }
      await audit(
        tx,
        about,
        parts.map(({ field, old, new: now }) => ({ field, old, new: now })),
      )
    } else if (!row.fromPaper) {
      const { testerId, caliperId, tapeId, boneCaliperId, scaleId } = change
      const chosen = Object.entries({ testerId, caliperId, tapeId, boneCaliperId, scaleId })
      await keepInUse(tx, Object.fromEntries(chosen.filter(([, value]) => value !== undefined)))
    }
  })
}
