import { randomUUID } from 'node:crypto'
import type { Role } from '../shared/access'
import { people } from '../server/database/schema'
import { addAccount, addOwner } from '../server/access/people'
import type { Database } from '../server/database/driver'

/** Who signs in where the club lets phones in. The password is the same for all, since there is nothing to guard. */
const STAFF: readonly { name: string; role: Exclude<Role, 'client'> }[] = [
  { name: 'Mara Linden', role: 'owner' },
  { name: 'Wim Astley', role: 'coach' },
  { name: 'Asa Along', role: 'assistant' },
]
const STAFF_PASSWORD = 'oak pinch made up'

/** Gives the made-up club's people their accounts. */
export async function seedStaff(db: Database): Promise<void> {
  const known = await db.select({ id: people.id, name: people.name }).from(people)
  for (const { name, role } of STAFF) {
    const personId = known.find((person) => person.name === name)?.id ?? null
    const password = STAFF_PASSWORD
    if (role === 'owner') await addOwner(db, { name, password })
    else await addAccount(db, { id: randomUUID(), name, role, personId, password })
  }
}
