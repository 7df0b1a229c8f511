import {
  defineEventHandler,
  getCookie,
  getQuery,
  setResponseHeader,
  setResponseStatus,
  type EventHandler,
  type H3Event,
} from 'h3'
import type { z } from 'zod'
import { isoDateOf, type IsoDate, say, refusal } from '#core'
import { seenBy } from '#shared/access'
import type { BodyOf, ParamsOf, QueryOf, Route } from '#shared/contract/define'
import { MADE_UP_COOKIE } from '#shared/contract/made-up'
import { told, type Untold } from '#shared/words/tell'
import { voiceOf } from '#shared/words/voices'
import { isOpen, type Database } from '../database/driver'
import {
  asksAboutWhom,
  mustMay,
  mustMayAbout,
  subjectsOf,
  whoAsks,
  whoLooksAround,
  type Asking,
} from '../access/actor'
import { isNoted, noteCall } from '../access/events'
import { lend } from '../database/lending'
import { useDatabase, useMadeUpDatabase } from '../database/running'
import { bodyParts, contentTypeOf, readJson } from './body'
import { languageOf } from './language'
import { answerTo, Refusal } from './errors'

/** What a handler gets: everything that was sent, read and checked by the route's contract. */
export interface Call<T extends Route> {
  event: H3Event
  db: Database
  params: ParamsOf<T>
  query: QueryOf<T>
  body: BodyOf<T>
  /** The parts as they arrive and the type, where the route takes a file. */
  file: { parts: AsyncIterable<Uint8Array>; type: string }
  /** Who asks, for the history of values. */
  actor: string
  /** Who asks; undefined for nobody, where the route is for anybody. */
  asking: Asking | undefined
  /** The coach whose clients alone are listed; undefined where all are. */
  coach: string | undefined
  /** The calendar date of this machine. The core has no clock; this is where the server looks at it. */
  today: IsoDate
  /** Says that the database is not used any more: a restore, which waits for that, is itself such a call. */
  letGo(): void
}

/** What a handler answers: by the contract, with messages where it has texts, or as it is where the contract names a file. */
type Answered<T extends Route> = T['reply'] extends z.ZodType
  ? Untold<z.input<T['reply']>>
  : unknown

/** Handlers with their routes, so that a test can hold each file against the table. */
export const routeOfHandler = new WeakMap<EventHandler, Route>()

function fileOf(event: H3Event, accepted: NonNullable<Route['file']>) {
  const type = contentTypeOf(event)
  if (!accepted.types.includes(type)) {
    const words = refusal(say('api.file'), type.slice(0, 40), accepted.types.join(', '))
    throw new Refusal(415, words, { code: 'type' })
  }
  return { type, parts: bodyParts(event, accepted.mostBytes) }
}

/** The record that a request is about, and who asks: the gym's own, or the made-up club for who may look around. */
async function opened(event: H3Event): Promise<{ db: Database; asking: Asking | undefined }> {
  if (getCookie(event, MADE_UP_COOKIE) !== undefined) {
    const asking = await whoLooksAround(await useDatabase().catch(() => undefined), event)
    if (asking) return { db: await useMadeUpDatabase(), asking }
  }
  const db = await useDatabase()
  return { db, asking: await whoAsks(db, event) }
}

async function* noParts(): AsyncGenerator<Uint8Array> {}

/**
 * An API handler: reads what was sent by the contract, gives the database, and answers everything that is refused with
 * 4xx in the same words that the form shows.
 *
 * @param handle returns the body of the answer
 */
export function defineApi<T extends Route>(
  route: T,
  handle: (call: Call<T>) => Promise<Answered<T>>,
) {
  const handler = defineEventHandler(async (event) => {
    let letGo = () => {}
    // What is somebody's stays in no cache, unless a handler says otherwise.
    setResponseHeader(event, 'cache-control', 'no-store')
    try {
      const { db, asking } = await opened(event)
      letGo = lend(db)
      mustMay(asking, route.action)
      const params = route.params.parse(event.context.params ?? {}) as ParamsOf<T>
      const query = route.query.parse(getQuery(event)) as QueryOf<T>
      const body = (route.body && route.body.parse(await readJson(event))) as BodyOf<T>
      const file = route.file ? fileOf(event, route.file) : { parts: noParts(), type: '' }
      // Looked up before it is done: what is deleted is found no more.
      const noted = asking !== undefined && isNoted(asking, route)
      const about =
        asking && (noted || asksAboutWhom(asking, route))
          ? await subjectsOf(db, route, { params, body })
          : []
      if (asking) mustMayAbout(asking, route, about)
      const today = isoDateOf(new Date())
      const answer = await handle({
        event,
        db,
        params,
        query,
        body,
        file,
        actor: asking?.actor.name ?? '',
        asking,
        coach: asking && seenBy(asking.actor),
        today,
        letGo,
      })
      // After a restore the record is another one.
      if (asking && noted)
        await noteCall(
          isOpen(db) ? db : await useDatabase(),
          asking,
          route,
          about[0]?.clientId ?? null,
        )
      if (route.status) setResponseStatus(event, route.status)
      return told(answer, voiceOf(languageOf(event)))
    } catch (error) {
      const { status, problems } = answerTo(error, `${route.method} ${route.path}`)
      setResponseStatus(event, status)
      return told({ problems }, voiceOf(languageOf(event)))
    } finally {
      letGo()
    }
  })
  routeOfHandler.set(handler, route)
  return handler
}
