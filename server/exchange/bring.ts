import { randomUUID } from 'node:crypto'
import { setImmediate as turn } from 'node:timers/promises'
import { eq } from 'drizzle-orm'
import { dayValue, say, type Message } from '#core'
import type { ExchangeCheckIn, ExchangeClient } from '#shared/contract/exchange'
import type { ImportCounts, ImportHead, ImportLine } from '#shared/contract/imports'
import { readingsOf } from '#shared/exchange/in-force'
import type { Connection, Database } from '../database/driver'
import * as schema from '../database/schema'
import { matchGym, type Matched } from './match-gym'
import { presentOf, type Present } from './present'
import { newRows, type Rows } from './new-rows'
import { insertRows } from './rows'

/** Something that was on record already, or that stands in the way of what is. */
export interface LeftHere {
  sheet: string
  row: number
  reason: Message
}

/** What is brought in, and by whom. */
export interface Bringing {
  head: Omit<ImportHead, 'left'>
  left: readonly { sheet: string; row: number; column?: string; reason: string }[]
  /** In the language of who brings it. */
  told: (reason: Message) => string
  actor: string
  /** Hears how many clients are in. */
  tell?: (clients: number) => void
  /** Hears what is left out because of what is on record. */
  hear?: (left: LeftHere) => void
  /** Ends it: nothing is kept. */
  signal?: AbortSignal
}

/** Clients that are put in at a time. */
const AT_A_TIME = 40

/**
 * Brings records in, in one transaction: all of it or nothing. What is on record already stays as it is, so that the same
 * file brought in twice changes nothing.
 *
 * @param lines clients, as they come
 * @returns what is new on record
 */
export async function bringIn(
  db: Database,
  lines: AsyncIterable<ImportLine> | Iterable<ImportLine>,
  { head, left, told, actor, tell, hear, signal }: Bringing,
): Promise<ImportCounts> {
  return db.transaction(async (tx) => {
    const [known] = await tx.select().from(schema.imports).where(eq(schema.imports.id, head.id))
    if (known) return known.counts
    const { id, fileName, sha256 } = head
    const counts: ImportCounts = {
      clients: 0,
      checkIns: 0,
      readings: 0,
      weighIns: 0,
      otherResults: 0,
    }
    await tx.insert(schema.imports).values({ id, actor, fileName, sha256, counts, left: [] })
    const import_ = new Import(tx, id, counts, await matchGym(tx, head))
    let batch: ImportLine[] = []
    let done = 0
    const flush = async () => {
      signal?.throwIfAborted()
      await import_.take(batch)
      done += batch.length
      batch = []
      tell?.(done)
      // The database works in this process: without a turn between, nobody would hear how far it is, or could break it off.
      await turn()
    }
    for await (const line of lines) {
      batch.push(line)
      if (batch.length === AT_A_TIME) await flush()
    }
    await flush()
    for (const one of import_.left) hear?.(one)
    const here = import_.left.map(({ reason, ...place }) => ({ ...place, reason: told(reason) }))
    await tx
      .update(schema.imports)
      .set({ counts, left: [...left, ...here] })
      .where(eq(schema.imports.id, id))
    return counts
  })
}

/** A value as two are compared: the same site, trial and number. */
const valueKey = (kind: string, site: string | null, trial: number, value: number) =>
  `${kind} ${site ?? ''} ${trial} ${Number(value.toFixed(6))}`

class Import {
  readonly left: LeftHere[] = []

  constructor(
    private readonly tx: Connection,
    private readonly importId: string,
    private readonly counts: ImportCounts,
    private readonly matched: Matched,
  ) {}

  private source = (source: { sheet: string; row: number } | null) => ({
    importId: this.importId,
    importSheet: source?.sheet ?? null,
    importRow: source?.row ?? null,
  })

  async take(lines: readonly ImportLine[]): Promise<void> {
    if (lines.length === 0) return
    const present = await presentOf(this.tx, lines)
    const rows = newRows()
    for (const line of lines) this.client(line, present, rows)
    for (const [table, of] of rows) await insertRows(this.tx, table, of)
  }

  private client({ into, client }: ImportLine, present: Present, rows: Rows): void {
    const there = present.clients.find(({ id }) => id === (into ?? client.id))
    const id = there?.id ?? (present.erased.includes(client.id) ? randomUUID() : client.id)
    if (!there) this.newClient(client, id, rows)
    const taken = new Set(present.ids)
    const fresh = <T extends { id: string }>(of: readonly T[]) =>
      of.filter((one) => !taken.has(one.id))
    for (const height of fresh(client.heights)) {
      // Heights in order: one that says what is known already says nothing.
      const known = present.heights.findLast(
        ({ clientId, date }) => clientId === id && date <= height.date,
      )
      if (known && Math.abs(known.cm - height.cm) < SAME_HEIGHT && height.source) continue
      rows.get(schema.heights)!.push({
        ...{ id: height.id, clientId: id, valueCm: height.cm, takenOn: height.date },
        ...{ typedUnit: height.typedUnit, typedText: height.typedText },
        ...this.source(height.source),
      })
    }
    for (const { id: rowId, answers, reviewedOn } of fresh(client.screenings))
      rows.get(schema.screenings)!.push({ id: rowId, clientId: id, answers, reviewedOn })
    for (const note of fresh(client.siteNotes))
      rows.get(schema.siteNotes)!.push({ ...note, clientId: id })
    let isOpen = there?.open ?? false
    for (const checkIn of client.checkIns) {
      const opens = checkIn.closedAt === null && checkIn.voided === null && !checkIn.fromPaper
      if (this.isThere(checkIn, id, present)) continue
      if (opens && isOpen) {
        this.leave(checkIn.source, say('api.anotherCheckClientUnderWay'))
        continue
      }
      isOpen ||= opens
      this.checkIn(checkIn, id, rows)
    }
    const weighed = new Map(
      present.weighIns.filter(({ clientId }) => clientId === id).map(({ date, kg }) => [date, kg]),
    )
    for (const weighIn of fresh(client.weighIns)) {
      const known = weighed.get(weighIn.date)
      if (weighIn.source && known !== undefined) {
        if (Math.abs(known - (weighIn.kg ?? 0)) < SAME_MASS) {
          this.leave(weighIn.source, say('exchange.onRecord'))
          continue
        }
        this.leave(weighIn.source, say('exchange.otherMass', { day: dayValue(weighIn.date, true) }))
        continue
      }
      this.counts.weighIns++
      rows.get(schema.weighIns)!.push({
        ...{ id: weighIn.id, clientId: id, date: weighIn.date, kg: weighIn.kg },
        ...{ typedUnit: weighIn.typedUnit, typedText: weighIn.typedText },
        ...this.source(weighIn.source),
      })
    }
    const isNoted = (note: ExchangeClient['notes'][number]) =>
      present.notes.some(
        (one) =>
          one.clientId === id &&
          one.date === note.date &&
          one.kind === note.kind &&
          one.words === note.words,
      )
    for (const note of fresh(client.notes).filter((one) => !isNoted(one)))
      rows.get(schema.clientNotes)!.push({ ...note, clientId: id, importId: this.importId })
    this.plans(client, id, there?.planInForce ?? false, taken, rows)
    this.besides(client, { id, isNew: !there, fresh, others: present.otherResults }, rows)
  }

  /** What is kept of a client besides measuring. Of one who is there, how they are reached stays as it is. */
  private besides(
    { details, tags, sessionNotes, appointments, selfGirths, otherResults }: ExchangeClient,
    {
      id: clientId,
      isNew,
      fresh,
      others,
    }: {
      id: string
      isNew: boolean
      others: Present['otherResults']
      fresh: <T extends { id: string }>(of: readonly T[]) => readonly T[]
    },
    rows: Rows,
  ): void {
    if (isNew) {
      const { mailStopped, ...rest } = details ?? {}
      if (details)
        rows.get(schema.clientDetails)!.push({
          ...{ clientId, sees: 'nothing', seesClasses: false, ...rest },
          ...{ mailStoppedAt: mailStopped ? new Date() : null, updatedAt: new Date() },
        })
      for (const tag of tags) rows.get(schema.clientTags)!.push({ clientId, tag })
    }
    for (const note of fresh(sessionNotes))
      rows.get(schema.sessionNotes)!.push({ ...note, clientId })
    for (const visit of fresh(appointments))
      rows
        .get(schema.appointments)!
        .push({ ...visit, clientId, startsAt: new Date(visit.startsAt) })
    for (const { source: _, ...girth } of fresh(selfGirths))
      rows.get(schema.selfGirths)!.push({ ...girth, clientId })
    // A sheet has no ids: what says the same as one on record is that one.
    const isKnown = ({ method, on, fatPercent }: ExchangeClient['otherResults'][number]) =>
      others.some(
        (one) =>
          one.clientId === clientId &&
          one.method === method &&
          one.on === on &&
          Math.abs(one.fatPercent - fatPercent) < SAME_FAT,
      )
    const results = fresh(otherResults).filter((one) => !isKnown(one))
    this.counts.otherResults += results.length
    for (const { on: measuredOn, ...result } of results)
      rows.get(schema.otherResults)!.push({ ...result, clientId, measuredOn })
  }

  private newClient(client: ExchangeClient, id: string, rows: Rows): void {
    const { name, sex, birthDate, birthYear, cadenceDays, showPercentages, cycleWanted } = client
    const { groupTerm, hiddenOnLeaderboards, weekEndsOn, nextDueOn, archived } = client
    this.counts.clients++
    rows.get(schema.clients)!.push({
      ...{
        id,
        name,
        sex,
        birthDate,
        birthYear: birthDate === null ? birthYear : null,
        cadenceDays,
      },
      ...{ showPercentages, cycleWanted, groupTerm, hiddenOnLeaderboards, weekEndsOn, nextDueOn },
      archivedAt: archived ? new Date() : null,
      // A column without a default among those that are inserted as JSON.
      createdAt: new Date(),
      importId: this.importId,
    })
  }

  private plans(
    { plans, clearances }: ExchangeClient,
    clientId: string,
    hasPlan: boolean,
    taken: ReadonlySet<string>,
    rows: Rows,
  ): void {
    let inForce = hasPlan
    for (const plan of plans) {
      if (taken.has(plan.id)) continue
      const replaced = plan.replacedAt ?? (inForce || plan.refused ? plan.createdAt : null)
      inForce ||= replaced === null
      rows.get(schema.plans)!.push({
        ...{ id: plan.id, clientId, startedOn: plan.startedOn, definition: plan.definition },
        ...{ madeBy: plan.madeBy, changes: plan.changes, findings: plan.findings as never },
        ...{ refused: plan.refused, createdAt: new Date(plan.createdAt) },
        replacedAt: replaced === null ? null : new Date(replaced),
      })
    }
    for (const { id, rule, by, on } of clearances)
      if (!taken.has(id))
        rows.get(schema.planClearances)!.push({ id, clientId, rule, clearedBy: by, clearedOn: on })
  }

  /** Whether the check-in is on record, by its id or by its day and every value; another of that day is in its way. */
  private isThere(checkIn: ExchangeCheckIn, clientId: string, { checkIns }: Present): boolean {
    if (checkIns.some(({ id }) => id === checkIn.id)) {
      this.leave(checkIn.source, say('exchange.onRecord'))
      return true
    }
    if (checkIn.source === null) return false
    const ofDay = checkIns.filter(
      (one) => one.clientId === clientId && one.measuredOn === checkIn.measuredOn,
    )
    const values = readingsOf(checkIn).map((one) =>
      valueKey(one.kind, one.site, one.trial, one.value),
    )
    if (ofDay.some((one) => values.every((value) => one.values.includes(value)))) {
      this.leave(checkIn.source, say('exchange.onRecord'))
      return true
    }
    const placeOf = (value: string) => value.slice(0, value.lastIndexOf(' '))
    const places = new Set(values.filter((value) => !value.startsWith('mass')).map(placeOf))
    if (ofDay.some((one) => one.values.some((value) => places.has(placeOf(value))))) {
      const day = dayValue(checkIn.measuredOn, true)
      this.leave(checkIn.source, say('exchange.otherCheckIn', { day }))
      return true
    }
    return false
  }

  private leave(source: { sheet: string; row: number } | null, reason: Message): void {
    this.left.push({ ...(source ?? { sheet: '', row: 0 }), reason })
  }

  private checkIn(checkIn: ExchangeCheckIn, clientId: string, rows: Rows): void {
    const { people, instruments } = this.matched
    const { id, ownProtocol, tolerance, consent, massDry, fromPaper, voided, conversion } = checkIn
    const instrument = (of: string | null) => (of === null ? null : (instruments.get(of) ?? null))
    const tester = (of: string) => people.get(of) ?? of
    this.counts.checkIns++
    this.counts.readings += readingsOf(checkIn).length
    rows.get(schema.checkIns)!.push({
      ...{ id, clientId, testerId: tester(checkIn.tester), protocolId: checkIn.protocol },
      caliperId: instrument(checkIn.caliper),
      tapeId: instrument(checkIn.tape),
      boneCaliperId: instrument(checkIn.boneCaliper),
      scaleId: instrument(checkIn.scale),
      ...{ ownProtocol: ownProtocol as never, tolerance, consent, massDry, fromPaper, conversion },
      voidedAt: voided ? new Date(voided.at) : null,
      voidReason: voided?.reason ?? null,
      measuredOn: checkIn.measuredOn,
      startedAt: new Date(checkIn.startedAt),
      closedAt: checkIn.closedAt === null ? null : new Date(checkIn.closedAt),
      revision: 0,
      ...this.source(checkIn.source),
    })
    for (const { site, reason } of checkIn.skipped)
      rows.get(schema.checkInSkips)!.push({ checkInId: id, site, reason })
    for (const girth of checkIn.extraGirths)
      rows.get(schema.checkInExtraGirths)!.push({ checkInId: id, girth })
    for (const [condition, value] of Object.entries(checkIn.conditions))
      if (value) rows.get(schema.checkInConditions)!.push({ checkInId: id, condition, value })
    const into = rows.get(schema.readings)!
    const storedAt = new Date()
    // Without spreading: there are tens of thousands of them.
    for (const one of checkIn.readings)
      into.push({
        id: one.id,
        checkInId: id,
        kind: one.kind,
        site: one.site,
        standard: one.standard,
        technique: one.technique,
        trial: one.trial,
        valueCanonical: one.value,
        typedUnit: one.typedUnit,
        typedText: one.typedText,
        supersedes: one.supersedes,
        testerId: tester(one.tester),
        instrumentId: instrument(one.instrument),
        correctedBy: one.correctedBy,
        sentBy: one.sentBy,
        takenAt: new Date(one.takenAt),
        storedAt,
        importId: this.importId,
        importSheet: one.source?.sheet ?? null,
        importRow: one.source?.row ?? null,
      })
  }
}

/** Two heights, cm, and two body masses, kg, are the same up to this. */
const SAME_HEIGHT = 0.05
const SAME_MASS = 0.005
/** Points of fat, of what a sheet shows with one digit. */
const SAME_FAT = 0.051
