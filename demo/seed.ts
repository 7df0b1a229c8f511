import { randomUUID } from 'node:crypto'
import { addDays, isoDateOf } from '../core/index'
import type { Database } from '../server/database/driver'
import {
  appointments,
  checkInConditions,
  checkInExtraGirths,
  checkIns,
  clientDetails,
  clients,
  clientNotes,
  clientTags,
  people,
  instrumentCheckPoints,
  leaderboardMembers,
  leaderboards,
  heights,
  instrumentChecks,
  instruments,
  ownProtocols,
  siteNotes,
  photos,
  plans,
  readings,
  screenings,
  sessionNotes,
  weeklyReports,
  weighIns,
} from '../server/database/schema'
import { decideOnReport } from '../server/client-side/weekly-reports'
import { changeSettings, keepInUse, nameFirstTester } from '../server/equipment/commands'
import { findSettings } from '../server/equipment/queries'
import { closeLeaderboard } from '../server/leaderboards/commands'
import { changeReminderSettings } from '../server/reminders/settings'
import { clientSide } from './client-side'
import { DRAWN_HEIGHT, DRAWN_WIDTH, drawnPhoto } from './figures'
import { BOATHOUSE_SCALE, seedOtherResults } from './other-results'
import { scenario, type DemoClient } from './scenario'
import { seedStudies } from './studies'

/** What stands in the table of clients itself. */
function plainOf(client: Omit<DemoClient, 'archivedOn'>) {
  const { id, name, sex, birthDate, birthYear, cadenceDays, showPercentages, groupTerm } = client
  const { weekEndsOn } = client
  const shown = { showPercentages, groupTerm, weekEndsOn }
  return { id, name, sex, birthDate, birthYear, cadenceDays, ...shown }
}

/**
 * Stores the made-up club in an empty database; does nothing where there are clients already.
 *
 * @param keepPhoto puts a picture away by its id
 */
export async function seedDemo(
  db: Database,
  keepPhoto: (id: string, bytes: Uint8Array) => Promise<void>,
): Promise<void> {
  if ((await db.select({ id: clients.id }).from(clients).limit(1)).length > 0) return
  const today = isoDateOf(new Date())
  const club = scenario(today)
  const scannedId = club.clients.find(({ name }) => name === 'Marguerite Oyel')!.id
  await nameFirstTester(db, club.coachName)
  const { caliperId, tapeId, scaleId, ...settings } = await findSettings(db)
  const testerId = settings.testerId!
  await changeSettings(db, {
    gymName: 'Lock Nine Rowing Club',
    gymContact: 'The boathouse at lock nine · ask for Fenna',
  })
  await db.transaction(async (tx) => {
    const keepCheck = async (
      instrumentId: string,
      days: number,
      points: { known: number; read: number }[],
    ) => {
      const checkId = randomUUID()
      const checkedOn = addDays(today, days)
      await tx.insert(instrumentChecks).values({ id: checkId, instrumentId, checkedOn })
      await tx
        .insert(instrumentCheckPoints)
        .values(points.map((point, i) => ({ checkId, place: i + 1, ...point })))
    }
    const otherId = randomUUID()
    await tx.insert(people).values({ id: otherId, name: 'Wim Astley', skill: 'novice' })
    const spareId = randomUUID()
    await tx.insert(instruments).values({
      id: spareId,
      kind: 'caliper',
      name: 'Spare caliper, clicks',
      graduation: 1,
      jaws: 'click',
    })
    // Its spring goes: more at every check, and now out.
    for (const [days, share] of [
      [-560, 0.004],
      [-370, 0.012],
      [-190, 0.021],
      [-12, 0.036],
    ] as const)
      await keepCheck(
        spareId,
        days,
        [10, 20, 30, 40].map((known) => ({ known, read: Math.round(known * (1 + share) * 2) / 2 })),
      )
    await keepCheck(
      caliperId!,
      -40,
      [5, 10, 20, 30, 40].map((known) => ({ known, read: known })),
    )
    await seedStudies(tx, {
      ...{ caliperId: caliperId!, tapeId: tapeId!, coachId: testerId, otherId, today },
    })
    const boneCaliperId = randomUUID()
    await tx.insert(instruments).values({
      ...{ id: boneCaliperId, kind: 'bone-caliper', name: 'Bone caliper', graduation: 0.05 },
    })
    await keepCheck(
      boneCaliperId,
      -60,
      [5, 10, 20].map((known) => ({ known, read: known })),
    )
    await keepInUse(tx, { boneCaliperId })
    await keepCheck(scaleId!, -230, [{ known: 20, read: 20.1 }])
    await tx
      .insert(ownProtocols)
      .values(club.ownProtocols.map((definition) => ({ id: definition.id, definition })))
    await tx.insert(clients).values(
      club.clients.map(({ archivedOn, ...client }) => ({
        ...plainOf(client),
        archivedAt: archivedOn === null ? null : new Date(`${archivedOn}T18:00:00`),
      })),
    )
    await tx.insert(heights).values(
      club.clients.flatMap(({ id, height, addedOn }) =>
        height
          ? [
              {
                ...{ id: height.id, clientId: id, valueCm: height.cm, typedUnit: height.unit },
                ...{ typedText: height.typed, takenOn: addedOn },
              },
            ]
          : [],
      ),
    )
    for (const { id: clientId, screening, siteNotes: own } of club.clients) {
      if (screening)
        await tx.insert(screenings).values({ id: randomUUID(), clientId, ...screening })
      if (own.length) {
        await tx
          .insert(siteNotes)
          .values(own.map((note) => ({ id: randomUUID(), clientId, ...note })))
      }
    }
    const instrumentOf = {
      ...{ breadth: boneCaliperId, length: boneCaliperId },
      skinfold: caliperId,
      girth: tapeId,
      mass: scaleId,
      height: null,
    }
    for (const { readings: taken, startedAt, closedAt, ...rest } of club.checkIns) {
      const { skipped: _, extraGirths, conditions, byOther, ...checkIn } = rest
      const by = byOther ? otherId : testerId
      await tx.insert(checkIns).values({
        ...checkIn,
        ...{ testerId: by, caliperId, tapeId, scaleId },
        boneCaliperId: taken.some(({ kind }) => kind === 'breadth') ? boneCaliperId : null,
        startedAt: new Date(startedAt),
        closedAt: closedAt === null ? null : new Date(closedAt),
      })
      const checkInId = checkIn.id
      if (extraGirths.length) {
        await tx
          .insert(checkInExtraGirths)
          .values(extraGirths.map((girth) => ({ checkInId, girth })))
      }
      const chosen = Object.entries(conditions)
      if (chosen.length) {
        await tx
          .insert(checkInConditions)
          .values(chosen.map(([condition, value]) => ({ checkInId, condition, value })))
      }
      await tx.insert(readings).values(
        taken.map(({ value, ...reading }) => ({
          ...reading,
          checkInId,
          valueCanonical: value,
          takenAt: new Date(reading.takenAt),
          testerId: by,
          instrumentId: instrumentOf[reading.kind],
          // Whoever goes by a scale that says fat too is weighed by it, and it sends what it weighs.
          sentBy:
            checkIn.clientId === scannedId && reading.kind === 'mass' ? BOATHOUSE_SCALE : null,
        })),
      )
    }
    await tx.insert(weighIns).values(
      club.weighIns.map(({ kg, ...rest }) => ({
        ...{ ...rest, id: randomUUID(), kg, typedUnit: 'kg', typedText: kg.toFixed(1) },
        // Sent in the evening of the day.
        storedAt: new Date(`${rest.date}T20:00:00`),
      })),
    )
    await tx.insert(clientNotes).values(club.events.map((e) => ({ ...e, id: randomUUID() })))
    for (const { clientIds, ...group } of club.groups) {
      await tx.insert(leaderboards).values(group)
      await tx
        .insert(leaderboardMembers)
        .values(clientIds.map((clientId) => ({ clientId, leaderboardId: group.id })))
    }
    await tx.insert(plans).values(club.plans)
    await tx.insert(photos).values(
      club.photos.map((photo) => ({
        ...{ id: photo.id, clientId: photo.clientId, view: photo.view, takenOn: photo.takenOn },
        ...{ type: 'image/svg+xml', width: DRAWN_WIDTH, height: DRAWN_HEIGHT },
        ...drawnPhoto(photo).points,
      })),
    )
  })
  for (const { id, endsOn } of club.groups)
    if (endsOn < today) await closeLeaderboard(db, id, { today, closedBy: club.coachName })
  await seedOtherResults(db, scannedId)
  await seedClientSide(db, club.clients, today, club.coachName)
  for (const photo of club.photos) {
    await keepPhoto(photo.id, new TextEncoder().encode(drawnPhoto(photo).svg))
  }
}

/** Stores the member who measures herself, and what is kept of others besides measuring. */
async function seedClientSide(
  db: Database,
  members: readonly DemoClient[],
  today: string,
  coach: string,
): Promise<void> {
  const side = clientSide(today)
  const clientId = side.remote.id
  const memberOf = (name: string) => members.find((member) => member.name === name)!.id
  await db.transaction(async (tx) => {
    await tx.insert(clients).values(side.remote)
    const { id, cm, typed } = side.height
    await tx.insert(heights).values({
      ...{ id, clientId, valueCm: cm, typedUnit: 'cm', typedText: typed },
      takenOn: side.reports[0]!.endsOn,
    })
    const { tags, ...details } = side.details
    await tx.insert(clientDetails).values([
      { clientId, ...details },
      ...side.kept.map(({ name, tags: _, ...kept }) => ({ clientId: memberOf(name), ...kept })),
      ...side.mail.map(({ name, email, stopped }) => ({
        ...{ clientId: memberOf(name), email },
        mailStoppedAt: stopped ? new Date() : null,
      })),
    ])
    await tx
      .insert(clientTags)
      .values([
        ...tags.map((tag) => ({ clientId, tag })),
        ...side.kept.flatMap(({ name, tags: own }) =>
          own.map((tag) => ({ clientId: memberOf(name), tag })),
        ),
      ])
    await tx.insert(sessionNotes).values(
      side.sessionNotes.map(({ name, ...note }) => ({
        ...{ ...note, id: side.idOf(note.words), clientId: memberOf(name), writtenBy: coach },
      })),
    )
    await tx.insert(appointments).values(
      side.appointments.map(({ name, ...visit }) => ({
        ...{ ...visit, id: side.idOf(`visit ${name}`), clientId: memberOf(name) },
      })),
    )
  })
  await changeReminderSettings(db, side.reminders)
  for (const { id, endsOn, content, state } of side.reports) {
    const sentAt = new Date(`${endsOn}T19:30:00`)
    await db.insert(weeklyReports).values({ id, clientId, endsOn, content, way: 'form', sentAt })
    if (state === 'accepted')
      await decideOnReport(db, clientId, id, { decision: 'accept', decidedBy: coach })
  }
}
