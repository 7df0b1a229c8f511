import fs from 'node:fs'
import { Unzip, UnzipInflate, UnzipPassThrough } from 'fflate'
import { refusal, say } from '#core'
import { Refusal } from '../http/errors'
import { FILES, manifestSchema, recordSchema, type Manifest } from './format'
import { sha256 } from './record'

/** What an archive holds, its photos handed on as they came. */
export interface ReadArchive {
  manifest: Manifest
  /** The rows of each table, as JSON. */
  rows: Map<string, string>
}

/** No record of a gym comes near it; a file that unpacks to more was made to. */
const MOST_TEXT_BYTES = 1024 ** 3
const PHOTO = /^photos\/([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/

const unusable = (why: Parameters<typeof refusal>[1]) =>
  new Refusal(422, refusal(say('api.backup'), why, say('api.wholeBackup')), { code: 'backup' })

/**
 * Reads an archive from its first part to its last and holds everything against its manifest.
 *
 * @param parts of the file, in order
 * @param keepPhoto is given each photo while it is read, before it is known that all of them are right
 * @throws Refusal when it is no archive, or not whole
 */
export async function readArchive(
  parts: AsyncIterable<Uint8Array>,
  keepPhoto: (id: string, bytes: Uint8Array) => void,
): Promise<ReadArchive> {
  const texts = new Map<string, Buffer[]>()
  const photos = new Map<string, { bytes: number; sha256: string }>()
  let [open, textBytes] = [0, 0]
  let failed: unknown
  const unzip = new Unzip((file) => {
    const photo = PHOTO.exec(file.name)?.[1]
    if (!photo && file.name !== FILES.record && file.name !== FILES.manifest) {
      failed ??= unusable(file.name.slice(0, 80))
      return
    }
    const got: Buffer[] = []
    open++
    file.ondata = (error, part, last) => {
      if (error) failed ??= error
      else got.push(Buffer.from(part))
      if (!photo && (textBytes += part?.length ?? 0) > MOST_TEXT_BYTES)
        failed ??= unusable(say('api.tooMuch'))
      if (!last || failed) return
      open--
      if (!photo) texts.set(file.name, got)
      else {
        const bytes = Buffer.concat(got)
        photos.set(photo, { bytes: bytes.length, sha256: sha256(bytes) })
        keepPhoto(photo, bytes)
      }
    }
    file.start()
  })
  unzip.register(UnzipInflate)
  unzip.register(UnzipPassThrough)
  try {
    for await (const part of parts) {
      unzip.push(part)
      if (failed) throw failed
    }
    unzip.push(new Uint8Array(), true)
  } catch (error) {
    failed ??= error
  }
  if (failed instanceof Refusal) throw failed
  const text = (name: string) => texts.get(name) && Buffer.concat(texts.get(name)!).toString()
  const [manifestText, recordText] = [text(FILES.manifest), text(FILES.record)]
  if (failed || open > 0 || !manifestText || !recordText) throw unusable(say('api.cutShort'))
  const manifest = parsed(manifestSchema, manifestText)
  const { version, tables } = parsed(recordSchema, recordText)
  if (version !== manifest.version) throw unusable(say('api.cutShort'))
  for (const [id, { bytes, sha256 }] of Object.entries(manifest.photos)) {
    const photo = photos.get(id)
    if (photo?.bytes !== bytes || photo.sha256 !== sha256)
      throw unusable(say('api.damagedPhoto', { id }))
  }
  const rows = new Map(Object.entries(tables).map(([name, all]) => [name, JSON.stringify(all)]))
  for (const [name, sum] of Object.entries(manifest.tables))
    if (tables[name]?.length !== sum.rows) throw unusable(say('api.damagedTable', { name }))
  return { manifest, rows }
}

function parsed<T>(
  schema: { safeParse(value: unknown): { success: boolean; data?: T } },
  text: string,
): T {
  try {
    const read = schema.safeParse(JSON.parse(text))
    if (read.success) return read.data!
  } catch {
    // Told below.
  }
  throw unusable(say('api.cutShort'))
}

/** A file, part by part. */
export async function* partsOf(file: string): AsyncGenerator<Uint8Array> {
  for await (const part of fs.createReadStream(file)) yield part as Uint8Array
}
