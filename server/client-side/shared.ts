import type { H3Event } from 'h3'
import { type Day, dayValue, isoDateOf, say } from '#core'
import type { ClientDetails, SharedStory } from '#shared/contract/client-side'
import type { Photo } from '#shared/contract/photos'
import type { ClientRecord } from '#shared/contract/record'
import { tell } from '#shared/words/tell'
import { voiceOf } from '#shared/words/voices'
import { findRecord } from '../clients/queries'
import type { Connection } from '../database/driver'
import { letterheadOf } from '../equipment/letterhead'
import { readPhoto } from '../files/photos'
import { languageOf } from '../http/language'
import { listPhotos, photoOr404 } from '../photos/queries'
import type { Paper } from '../reports/paper'
import { sharedStory } from '../reports/shared-story'
import { storyFile, type FilePicture } from '../reports/story-file'
import { findDetails } from './details'

/** How a client's page is written: in the reader's language. */
function screenOf(event: H3Event, units: Paper['units']): Paper {
  const language = languageOf(event)
  const voice = voiceOf(language)
  return {
    ...{ size: 'a4', language, units, told: (words) => tell(words, voice) },
    today: isoDateOf(new Date()),
  }
}

/** What a client sees; null for nothing. */
export async function findShared(
  db: Connection,
  event: H3Event,
  clientId: string,
  units: Paper['units'],
): Promise<SharedStory | null> {
  const record = await findRecord(db, clientId)
  const [details, photos] = [await findDetails(db, clientId), await listPhotos(db, clientId)]
  return storyFor(event, record, { details, photos }, units)
}

/** As `findShared`, of what was read already. */
export const storyFor = (
  event: H3Event,
  record: ClientRecord,
  { details, photos }: { details: ClientDetails; photos: readonly Photo[] },
  units: Paper['units'],
): Promise<SharedStory | null> => sharedStory(record, details, photos, screenOf(event, units))

const CAPTIONS = {
  front: (day: Day) => say('reports.photoFront', { day }),
  side: (day: Day) => say('reports.photoSide', { day }),
  back: (day: Day) => say('reports.photoBack', { day }),
}
const photoCaption = (view: keyof typeof CAPTIONS, takenOn: string) =>
  CAPTIONS[view](dayValue(takenOn, true))

/** What a client sees as one file; undefined for nothing. */
export async function sharedFile(
  db: Connection,
  event: H3Event,
  clientId: string,
  units: Paper['units'],
): Promise<string | undefined> {
  const story = await findShared(db, event, clientId, units)
  if (!story) return undefined
  const { told, language, today } = screenOf(event, units)
  const { name } = await letterheadOf(db)
  const pictures: FilePicture[] = []
  for (const { id, view, takenOn } of story.photos) {
    const bytes = await readPhoto(db, id)
    if (!bytes) continue
    const { type } = await photoOr404(db, id)
    pictures.push({
      address: `data:${type};base64,${bytes.toString('base64')}`,
      caption: told(photoCaption(view, takenOn)),
    })
  }
  return storyFile(story, {
    ...{ language, gym: name, next: told(say('reports.next')), pictures },
    day: told(say('reports.day', { day: dayValue(today, true) })),
  })
}
