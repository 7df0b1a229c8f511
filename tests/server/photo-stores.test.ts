import { createHash } from 'node:crypto'
import { createServer, type IncomingHttpHeaders } from 'node:http'
import { once } from 'node:events'
import type { AddressInfo } from 'node:net'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, beforeAll, describe, expect, test, vi } from 'vitest'
import {
  bucketStore,
  folderStore,
  memoryStore,
  namedBucket,
  type PhotoStore,
} from '../../server/files/photo-stores'

/*
 * The least of an object store that speaks S3's protocol: PUT, GET, HEAD and DELETE of a key, and the list of a bucket
 * (Amazon S3 API Reference, version 2006-03-01). It holds what it gets against the sum that was signed with it.
 */
const objects = new Map<string, Buffer>()
const asked: IncomingHttpHeaders[] = []
const server = createServer((request, response) => {
  const parts: Buffer[] = []
  request.on('data', (part: Buffer) => parts.push(part))
  request.on('end', () => {
    asked.push(request.headers)
    const body = Buffer.concat(parts)
    const [, bucket, key] = request.url!.split('/')
    const sum = request.headers['x-amz-content-sha256']
    const right =
      sum === undefined ||
      sum === 'UNSIGNED-PAYLOAD' ||
      sum === createHash('sha256').update(body).digest('hex')
    if (bucket !== 'gym' || !right) return response.writeHead(403).end()
    if (!key) {
      const list = [...objects.keys()].map((name) => `<Contents><Key>${name}</Key></Contents>`)
      return response.end(
        `<?xml version="1.0"?><ListBucketResult><Name>gym</Name>${list.join('')}</ListBucketResult>`,
      )
    }
    if (request.method === 'PUT') objects.set(key, body)
    if (request.method === 'DELETE') objects.delete(key)
    if (request.method === 'DELETE') return response.writeHead(204).end()
    const there = objects.get(key)
    return there ? response.end(there) : response.writeHead(404).end()
  })
})

const folder = mkdtempSync(join(tmpdir(), 'oak-pinch-photos-'))
let ofBucket: PhotoStore
beforeAll(async () => {
  server.listen(0, '127.0.0.1')
  await once(server, 'listening')
  const { port } = server.address() as AddressInfo
  ofBucket = bucketStore(
    namedBucket({
      OAK_PINCH_S3_ENDPOINT: `http://127.0.0.1:${port}`,
      OAK_PINCH_S3_BUCKET: 'gym',
      OAK_PINCH_S3_REGION: 'here',
      OAK_PINCH_S3_KEY_ID: 'KEYID',
      OAK_PINCH_S3_SECRET: 'made up',
    })!,
  )
})
afterAll(() => {
  server.close()
  rmSync(folder, { recursive: true, force: true })
})
afterEach(() => vi.unstubAllEnvs())

describe.each(['memory', 'folder', 'bucket'] as const)('in a %s', (kind) => {
  test('a picture is kept to the byte, listed, and gone when it is taken away', async () => {
    vi.stubEnv('OAK_PINCH_DATA', folder)
    const store = { memory: memoryStore(), folder: folderStore(), bucket: ofBucket }[kind]
    const picture = Buffer.from(Array.from({ length: 70_000 }, (_, i) => (i * 7) % 256))
    const [one, two] = [
      '0198a3f0-0000-7000-8000-000000000001',
      '0198a3f0-0000-7000-8000-000000000002',
    ]
    expect(await store.get(one)).toBeUndefined()
    await store.put(two, picture.subarray(1))
    await store.put(one, picture)
    expect(await store.ids()).toEqual([one, two])
    expect((await store.get(one))!.equals(picture)).toBe(true)
    expect((await store.getInTurn(two))!.equals(picture.subarray(1))).toBe(true)
    await store.remove([one])
    expect(await store.get(one)).toBeUndefined()
    expect(await store.ids()).toEqual([two])
    await store.remove([two, one])
    expect(await store.ids()).toEqual([])
  })
})

test('what is asked of a bucket is signed by its key', () => {
  expect(asked.length).toBeGreaterThan(5)
  for (const { authorization } of asked)
    // AWS Signature Version 4.
    expect(authorization).toMatch(
      /^AWS4-HMAC-SHA256 Credential=KEYID\/\d{8}\/here\/s3\/aws4_request/,
    )
})

test('a bucket is used where one is named', () => {
  expect(namedBucket({})).toBeUndefined()
})
