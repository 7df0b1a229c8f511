/*
 * Who may do what: one table for the server, which refuses, and for the pages, which leave out what would be refused.
 * Every route of the contract names its action.
 */

/** In the order of what they may do. */
export const ROLES = ['owner', 'coach', 'assistant', 'client'] as const
export type Role = (typeof ROLES)[number]

/** Whose clients coaches see: a choice of the gym. */
export const COACHES_SEE = ['all', 'own'] as const

/**
 * How far a role reaches with an action.
 *
 * - `all`: everybody and everything of the gym
 * - `own`: the coach's own clients, where the gym keeps coaches to their own; all of them elsewhere
 * - `gym`: as `own`, for what shows all clients side by side: nothing where coaches are kept to their own
 * - `open`: who is being measured now
 * - `self`: what is about themselves
 */
type Reach = 'all' | 'own' | 'gym' | 'open' | 'self'

/** The law. What is not named is refused. */
const LAW = {
  /** Which people work here, with which tools, by which protocols; what a screen has to know to begin. */
  'gym.see': { owner: 'all', coach: 'all', assistant: 'all' },
  /** Tools, checks of tools, protocols, and what was chosen last. */
  'gym.equip': { owner: 'all', coach: 'all' },
  /** People, roles, devices, what coaches see, who did what. */
  'gym.govern': { owner: 'all' },
  /** Backups, and the whole record in and out. */
  'gym.keep': { owner: 'all' },
  /** Lists of clients: each is shown whom they may see. */
  'clients.list': { owner: 'all', coach: 'own' },
  'clients.add': { owner: 'all', coach: 'all' },
  'clients.see': { owner: 'all', coach: 'own' },
  'clients.change': { owner: 'all', coach: 'own' },
  /** Whose client somebody is. */
  'clients.assign': { owner: 'all' },
  'clients.erase': { owner: 'all' },
  /** Answers about health. */
  'clients.screen': { owner: 'all', coach: 'own' },
  /** Leaderboards name clients to one another's coaches. */
  'boards.see': { owner: 'all', coach: 'gym' },
  'boards.change': { owner: 'all', coach: 'gym' },
  /** To begin, choose, correct, close and read a check-in with what came before it. */
  'check-ins.take': { owner: 'all', coach: 'own' },
  /** To type readings for whoever takes them: no results and nothing from before. */
  'check-ins.type': { owner: 'all', coach: 'own', assistant: 'open' },
  /** The names of whom a check-in is open for. */
  'check-ins.open': { owner: 'all', coach: 'own', assistant: 'open' },
  'plans.see': { owner: 'all', coach: 'own' },
  'plans.change': { owner: 'all', coach: 'own' },
  'photos.see': { owner: 'all', coach: 'own' },
  'photos.change': { owner: 'all', coach: 'own' },
  /** What the coach shares with them. */
  'self.see': { client: 'self' },
  /** To send a weekly report, and to answer about it. */
  'self.report': { client: 'self' },
  /** To end one's own session. */
  'self.leave': { owner: 'all', coach: 'all', assistant: 'all', client: 'self' },
  /** To change one's own password, and to let in a device of one's own; clients come by links alone. */
  'self.change': { owner: 'all', coach: 'all', assistant: 'all' },
} as const satisfies Record<string, Partial<Record<Role, Reach>>>

export type Action = keyof typeof LAW

/** Who asks. */
export interface Actor {
  role: Role
  /** For the audit log and the screen. */
  name: string
  /** Their account; null for who sits at this computer while nobody signs in. */
  userId: string | null
  /** Who they are among the people of the gym. */
  personId: string | null
  /** Who they are among the clients. */
  clientId: string | null
  /** A coach of a gym that keeps coaches to their own clients. */
  ownOnly: boolean
}

/** Whom it is about. */
export interface Subject {
  clientId: string
  /** Whose client it is; null for nobody's. */
  coachId: string | null
  /** Whether a check-in of theirs is open, or this one is. */
  open: boolean
}

/** `hidden`: what one may not know to exist is not found. */
type Answer = 'yes' | 'no' | 'hidden'

/**
 * Whether somebody may do something.
 *
 * @param subject whom it is about; undefined for what is about nobody in particular, as a list, whose rows are then
 *   chosen by {@link seenBy}
 */
export function may(actor: Actor, action: Action, subject?: Subject): Answer {
  const reaches: Partial<Record<Role, Reach>> = LAW[action]
  const reach = reaches[actor.role]
  if (reach === undefined) return 'no'
  if (reach === 'all') return 'yes'
  if (reach === 'gym') return actor.ownOnly ? 'no' : 'yes'
  if (reach === 'own' && !actor.ownOnly) return 'yes'
  if (!subject) return 'yes'
  const theirs = {
    own: subject.coachId !== null && subject.coachId === actor.personId,
    open: subject.open,
    self: subject.clientId === actor.clientId,
  }
  return theirs[reach] ? 'yes' : 'hidden'
}

/** Whether it depends on whom it is about. */
export const dependsOnWhom = (actor: Actor, action: Action): boolean =>
  may(actor, action, { clientId: '', coachId: null, open: false }) === 'hidden'

/** The coach whose clients alone are listed; undefined where all are. */
export const seenBy = (actor: Actor): string | undefined =>
  actor.ownOnly && actor.role === 'coach' ? (actor.personId ?? '') : undefined
