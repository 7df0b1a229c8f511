/**
 * `npm run bench -- server`: 200 check-ins at once on one process with its record on a PostgreSQL server, each followed by
 * a screen and taking a reading every four seconds or so, as a hand with a caliper does. How long a reading takes to be
 * acknowledged, against the same of one check-in alone.
 */
import { setTimeout as pause } from 'node:timers/promises'
import { Agent, request } from 'node:http'
import { SEVEN_FOLDS } from '../core/index'
import type { CheckIn } from '../shared/contract/check-ins'
import { addClient, readingsFor, startCheckIn } from '../tests/e2e/support/record'
import { TestServer } from '../tests/e2e/support/server'
import { startPostgres } from '../tests/support/postgres'

const CHECK_INS = Number(process.argv[2] ?? 200)
/** Between two readings of a check-in, ms: from a half of it to one and a half. */
const EVERY_MS = 4000
const LASTS_MS = 40_000

const quantile = (values: readonly number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.ceil(share * values.length) - 1]!

const agent = new Agent({ keepAlive: true, maxSockets: 1000 })

/** Sends a reading as a screen does. @returns how long it took, ms */
function take(port: number, { id }: CheckIn, readings: object[]): Promise<number> {
  const text = JSON.stringify({ readings })
  const from = performance.now()
  return new Promise((resolve, reject) => {
    const sent = request(
      {
        ...{ agent, port, host: '127.0.0.1', method: 'POST' },
        path: `/api/check-ins/${id}/readings`,
        headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) },
      },
      (response) => {
        response.resume()
        response.on('end', () => {
          if (response.statusCode !== 200) reject(new Error(String(response.statusCode)))
          resolve(performance.now() - from)
        })
      },
    )
    sent.on('error', reject)
    sent.end(text)
  })
}

/** A screen that follows a check-in. @returns what ends it */
function follow(port: number, { id }: CheckIn): () => void {
  const sent = request(
    { port, host: '127.0.0.1', path: `/api/check-ins/${id}/live`, agent: false },
    (response) => response.resume(),
  )
  sent.on('error', () => {})
  sent.end()
  return () => sent.destroy()
}

/** So many check-ins at once. @returns how long each reading took, ms */
async function together(server: TestServer, checkIns: readonly CheckIn[]): Promise<number[]> {
  const ends = checkIns.map((checkIn) => follow(server.port, checkIn))
  await pause(2000)
  const until = performance.now() + LASTS_MS
  const each = await Promise.all(
    checkIns.map(async (checkIn) => {
      const times: number[] = []
      await pause(Math.random() * EVERY_MS)
      for (let i = 0; performance.now() < until; i++) {
        const site = SEVEN_FOLDS[i % 7]!
        const trial = 1 + Math.floor(i / 7)
        const reading = readingsFor(checkIn, [{ kind: 'skinfold', site, trial, value: 12.5 }])
        times.push(await take(server.port, checkIn, reading))
        await pause(EVERY_MS * (0.5 + Math.random()))
      }
      return times
    }),
  )
  for (const end of ends) end()
  return each.flat()
}

const postgres = await startPostgres()
const server = await TestServer.create({ env: { DATABASE_URL: await postgres.create('oak') } })
try {
  const checkIns: CheckIn[] = []
  for (let i = 0; i <= CHECK_INS; i++) {
    const { id } = await addClient(server, `Client ${i}`)
    checkIns.push(await startCheckIn(server, id))
  }
  const [one, ...others] = checkIns as [CheckIn, ...CheckIn[]]
  // One after the other, with nobody else at it.
  const alone: number[] = []
  for (let round = 0; round < 300; round++) {
    const trial = 1 + (round % 9)
    const reading = readingsFor(one, [
      { kind: 'skinfold', site: SEVEN_FOLDS[round % 7]!, trial, value: 12.5 },
    ])
    alone.push(await take(server.port, one, reading))
    await pause(20)
  }
  const many = await together(server, others)
  const [single, all] = [quantile(alone.slice(30), 0.95), quantile(many, 0.95)]
  console.log(
    `a reading acknowledged with ${CHECK_INS} check-ins at once: p95 ${(all / single).toFixed(2)} times one alone (at most 5 is asked for), ${all.toFixed(1)} ms and ${single.toFixed(1)} ms; medians ${quantile(many, 0.5).toFixed(1)} and ${quantile(alone, 0.5).toFixed(1)} ms; ${many.length} readings in ${LASTS_MS / 1000} s`,
  )
} finally {
  await server.remove()
  await postgres.stop()
}
