import type { H3Event } from 'h3'
import { sql } from 'drizzle-orm'
import { firstName, say, selfGirthsOn } from '#core'
import { PHOTO_VIEWS } from '#shared/contract/choices'
import type { MyPage } from '#shared/contract/client-side'
import type { Photo } from '#shared/contract/photos'
import type { Asking } from '../access/actor'
import { findRecord, listSiteNotes } from '../clients/queries'
import type { Connection } from '../database/driver'
import { jsonOf, listOf } from '../database/json'
import { letterheadOf } from '../equipment/letterhead'
import { Refusal } from '../http/errors'
import { listPhotos } from '../photos/queries'
import type { Paper } from '../reports/paper'
import { findDetails } from './details'
import { storyFor } from './shared'

/** Whose page it is: the client's who came by a link. @throws Refusal 403 for anybody else */
export function ownId(asking: Asking | undefined): string {
  const id = asking?.actor.clientId
  if (!id) throw new Refusal(403, say('api.notAClient'), { code: 'may-not' })
  return id
}

/** How many of the last reports a client sees. */
const REPORTS_SHOWN = 8

/** A client's own page: what is shared with them, and what they are asked for. */
export async function findMyPage(
  db: Connection,
  event: H3Event,
  clientId: string,
  units: Paper['units'],
): Promise<MyPage> {
  const record = await findRecord(db, clientId)
  const details = await findDetails(db, clientId)
  const { asks } = details
  const photos = await listPhotos(db, clientId)
  const { name: gym } = await letterheadOf(db)
  const found = await jsonOf<Pick<MyPage, 'coach' | 'reports'>>(
    db,
    sql`select json_build_object('coach', coalesce(
        (select p.name from clients c join people p on p.id = c.coach_id where c.id = ${clientId}),
        (select p.name from settings s join people p on p.id = s.tester_id), ''),
      'reports', ${listOf(
        sql`json_build_object('id', r.id, 'endsOn', r.ends_on, 'state', r.state, 'talk', r.talk)`,
        sql`from (select * from weekly_reports where client_id = ${clientId}
          order by ends_on desc, sent_at desc limit ${REPORTS_SHOWN}) r`,
        sql`r.ends_on desc, r.sent_at desc`,
      )})`,
  )
  const notes = asks ? await listSiteNotes(db, clientId) : []
  const { client, selfGirths } = record
  return {
    ...found,
    ...{ firstName: firstName(client.name), gym, sex: client.sex, asks },
    story: await storyFor(event, record, { details, photos }, units),
    lastGirths: (asks?.girths ?? []).flatMap((girth) => {
      const last = selfGirths.findLast((one) => one.girth === girth)
      return last ? { girth, cm: selfGirthsOn(selfGirths, last.date).get(girth)! } : []
    }),
    siteNotes: notes
      .filter(({ site }) => asks?.girths.some((girth) => girth === site))
      .map(({ site, text, side }) => ({ site, text, side })),
    // The outline of last time's.
    photos: asks?.photos ? latestOfViews(photos) : [],
  }
}

/** Of each view the one taken last. @param photos latest first */
const latestOfViews = (photos: readonly Photo[]): MyPage['photos'] =>
  PHOTO_VIEWS.flatMap((view) => {
    const last = photos.find((photo) => photo.view === view)
    return last ? { id: last.id, view, takenOn: last.takenOn } : []
  })
