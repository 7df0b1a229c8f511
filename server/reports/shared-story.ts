import {
  capital,
  classify,
  dayValue,
  firstName,
  fixed,
  formatMass,
  goalDaySaid,
  goalSaid,
  isoDateOf,
  lower,
  massIn,
  resultOf,
  say,
  sheetOf,
  weeklyAverages,
} from '#core'
import { pointed } from '#shared/words/formats'
import { PHOTO_VIEWS } from '#shared/contract/choices'
import type { ClientDetails, SharedStory } from '#shared/contract/client-side'
import type { Photo } from '#shared/contract/photos'
import type { ClientRecord } from '#shared/contract/record'
import { clientStory, drawStory, type ClientStory } from './client-page'
import { INK, type Paper } from './paper'
import { readRecord, type ReadRecord } from './record'

/* What a client sees on their own page: as much as the coach shares, the same on the phone, in a file and on paper. */

type SharedDetails = Pick<ClientDetails, 'sees' | 'seesClasses' | 'goal' | 'appointments'>

/** The table whose classes are named: the one that a coach's screen names first too. */
const CLASSES = 'ace'

/** The name of the class that the newest fat % falls in, with whose it is. */
function classOf({ record: { client }, newest }: ReadRecord, { told }: Paper): string[] {
  const found = newest && resultOf(client, newest)
  if (!newest || !found?.ok) return []
  const { fatPercent } = found.value
  const at = classify(CLASSES, fatPercent, sheetOf(client, newest).subject)
  return at
    ? [told(say('reports.classOf', { band: lower(at.band.name), table: at.table.name }))]
    : []
}

/** Mass of the first and of the last week, and what lies between. */
function massRow({ weighIns, client }: ClientRecord, paper: Paper): string[] | undefined {
  const weeks = weeklyAverages(weighIns, client.weekEndsOn)
  const [first, last] = [weeks[0], weeks.at(-1)]
  if (!first || !last || first === last) return undefined
  const { told, units, language } = paper
  const mass = (kg: number) => pointed(language, formatMass(kg, units.mass))
  const change = last.kg - first.kg
  const sign =
    Number(fixed(massIn(Math.abs(change), units.mass), 1)) === 0 ? '' : change < 0 ? '−' : '+'
  return [
    told(say('reports.weekMean')),
    mass(first.kg),
    mass(last.kg),
    sign + mass(Math.abs(change)),
  ]
}

/** Of each view the first photo and the last one. @param photos latest first */
const firstAndLast = (photos: readonly Photo[]): SharedStory['photos'] =>
  PHOTO_VIEWS.flatMap((view) => {
    const all = photos.filter((photo) => photo.view === view)
    return [...new Set([all.at(-1), all[0]])].flatMap((photo) =>
      photo ? [{ id: photo.id, view, takenOn: photo.takenOn }] : [],
    )
  })

/** Body mass alone: no fat, no folds, no tape. */
async function massStory(record: ClientRecord, paper: Paper): Promise<ClientStory> {
  const { told, units } = paper
  const name = firstName(record.client.name)
  const weeks = weeklyAverages(record.weighIns, record.client.weekEndsOn)
  const row = massRow(record, paper)
  const day = (date: string) => told(say('reports.day', { day: dayValue(date, true) }))
  const title = told(say('reports.weekMean'))
  const points = weeks.map(({ to, kg }) => {
    const value = massIn(kg, units.mass)
    return { date: to, value, low: value, high: value }
  })
  const curve = { name: units.mass, color: INK, points }
  return {
    head: told(
      weeks.length ? say('reports.yourWeight', { name }) : say('reports.nothingYet', { name }),
    ),
    lead: weeks[0] ? told(say('reports.weightSince', { since: dayValue(weeks[0].to, true) })) : '',
    picture:
      weeks.length > 1
        ? { svg: await drawStory([curve], paper), caption: `${title}, ${units.mass}`, alt: title }
        : undefined,
    columns: row
      ? ['', day(weeks[0]!.to), told(say('reports.now')), told(say('reports.change'))]
      : [],
    rows: row ? [row] : [],
    next: [],
    small: told(say('reports.notMedical')),
  }
}

/** The goal of the plan in force, the client's own words, and when they come. */
function nextOf(
  { planInForce, client }: ClientRecord,
  { goal, appointments, sees }: SharedDetails,
  { told, units, today }: Paper,
): string[] {
  const shown = sees === 'everything' && client.showPercentages
  const planned = planInForce?.definition.goal
  const isOfMass = planned?.kind === 'mass' || planned?.kind === 'loseMass'
  const coming = appointments.find(({ startsAt }) => isoDateOf(new Date(startsAt)) >= today)
  const at = coming && new Date(coming.startsAt)
  const day = planned && goalDaySaid(planned)
  const planSaid = planned && { goal: goalSaid(planned, { units, shown }) }
  return [
    planSaid && (sees !== 'mass' || isOfMass)
      ? day
        ? say('reports.goalBy', { ...planSaid, day })
        : say('reports.goal', planSaid)
      : undefined,
    goal ? say('reports.ownGoal', { goal }) : undefined,
    at
      ? say('reports.appointment', {
          day: dayValue(isoDateOf(at), true),
          time: `${at.getHours()}:${String(at.getMinutes()).padStart(2, '0')}`,
        })
      : undefined,
  ].flatMap((message) => (message ? told(message) : []))
}

/**
 * What a client sees of their record.
 *
 * @param photos latest first
 * @returns null where nothing is shared
 */
export async function sharedStory(
  record: ClientRecord,
  details: SharedDetails,
  photos: readonly Photo[],
  paper: Paper,
): Promise<SharedStory | null> {
  const { sees } = details
  if (sees === 'nothing') return null
  const shown = sees === 'everything' && record.client.showPercentages
  const read = readRecord(record, shown)
  const story =
    sees === 'mass'
      ? await massStory(record, paper)
      : await clientStory(read, paper, { girths: true })
  // Where fat and lean are followed, the mass of the check-ins is among the rows already.
  const measured = record.checkIns.some(({ closedAt }) => closedAt !== null)
  const mass =
    sees === 'sums' || (sees === 'everything' && !measured) ? massRow(record, paper) : undefined
  return {
    ...story,
    picture: story.picture ?? null,
    rows: mass ? [mass, ...story.rows] : story.rows,
    photos: sees === 'sums' ? [] : firstAndLast(photos),
    next: [...nextOf(record, details, paper), ...story.next.map(capital)],
    small: [...(shown && details.seesClasses ? classOf(read, paper) : []), story.small].join(' '),
  }
}
