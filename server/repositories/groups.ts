import { randomUUID } from 'node:crypto'
import { asc, desc, eq, sql } from 'drizzle-orm'
import type { Group, GroupForm } from '#shared/tracking'
import type { Database } from '../database/open'
import { clients, groupMembers, groups } from '../database/schema'

const columns = {
  id: groups.id,
  name: groups.name,
  startsOn: groups.startsOn,
  endsOn: groups.endsOn,
  measure: groups.measure,
  members: sql<number>`(select count(*)::int from group_members m where m.group_id = groups.id)`,
}

/** Every group, the latest first. */
export async function listGroups(db: Database): Promise<Group[]> {
  return db.select(columns).from(groups).orderBy(desc(groups.endsOn), asc(groups.name))
}

export async function findGroup(db: Database, id: string): Promise<Group | undefined> {
  return (await db.select(columns).from(groups).where(eq(groups.id, id)))[0]
}

/** The clients of a group who are not archived, by name. */
export async function listMembers(db: Database, groupId: string): Promise<string[]> {
  const rows = await db
    .select({ id: clients.id })
    .from(groupMembers)
    .innerJoin(clients, eq(clients.id, groupMembers.clientId))
    .where(sql`${groupMembers.groupId} = ${groupId} and ${clients.archivedAt} is null`)
    .orderBy(asc(clients.name))
  return rows.map(({ id }) => id)
}

/** Makes a group, or changes the one of that id. @returns its id; undefined where there is none of that id */
export async function saveGroup(
  db: Database,
  { clientIds, ...form }: GroupForm,
  id?: string,
): Promise<string | undefined> {
  return db.transaction(async (tx) => {
    const groupId = id ?? randomUUID()
    if (id === undefined) await tx.insert(groups).values({ id: groupId, ...form })
    else {
      const changed = await tx.update(groups).set(form).where(eq(groups.id, id)).returning()
      if (changed.length === 0) return undefined
      await tx.delete(groupMembers).where(eq(groupMembers.groupId, id))
    }
    const members = [...new Set(clientIds)].map((clientId) => ({ groupId, clientId }))
    if (members.length > 0) await tx.insert(groupMembers).values(members)
    return groupId
  })
}

export async function removeGroup(db: Database, id: string): Promise<void> {
  await db.delete(groups).where(eq(groups.id, id))
}
