import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { addDays, isoDateOf, weekdayOf } from '#core'
import type { Reminders } from '#shared/contract/reminders'
import { claimJob } from '../../server/jobs/jobs'
import { sendReminders } from '../../server/reminders/send'
import { startMailServer } from '../support/mail-server'
import { startApi } from './support/app'
import { callerOf, cookieOf } from './support/signed'

/* Reminders: what goes out by mail, and that it goes out once. */

const PASSWORD = 'four words in a row'
/** In the middle of a day, whatever the hour is that this runs at. */
const noon = (days = 0) => new Date(`${addDays(isoDateOf(new Date()), days)}T12:00:00`)
const today = isoDateOf(noon())

let api: Awaited<ReturnType<typeof startApi>>
let post: Awaited<ReturnType<typeof startMailServer>>
let owner = ''
const call = callerOf(() => api)
beforeAll(async () => {
  ;[api, post] = await Promise.all([startApi(), startMailServer()])
  process.env.SMTP_URL = post.url
  process.env.OAK_PINCH_MAIL_FROM = 'gym@oak-pinch.example'
  const set = await call('', 'POST', '/api/access/owner', { name: 'Olive', password: PASSWORD })
  owner = cookieOf(set.response)
  await call(owner, 'PATCH', '/api/phones', { open: true })
})
afterAll(async () => {
  delete process.env.SMTP_URL
  delete process.env.OAK_PINCH_MAIL_FROM
  await call(owner, 'PATCH', '/api/phones', { open: false })
  await Promise.all([api.close(), post.close()])
})

const look = async () => (await call(owner, 'GET', '/api/reminders')).body as Reminders
async function settle(change: Partial<Reminders['settings']> = {}) {
  const { settings } = await look()
  const body = { ...settings, byMail: true, ...change }
  const answer = await call(owner, 'PATCH', '/api/reminders', body)
  expect(answer.status, answer.text).toBe(200)
}
/** Somebody whose check-in is due so many days from today. */
async function addClient(name: string, inDays: number | null, email: string | null = mailOf(name)) {
  const id = randomUUID()
  await call(owner, 'POST', '/api/clients', {
    ...{ id, name, sex: 'female', birthDate: null, birthYear: 1990, height: '168 cm' },
    cadenceDays: 28,
  })
  if (inDays !== null) {
    const nextDueOn = addDays(today, inDays)
    await call(owner, 'PATCH', `/api/clients/${id}`, { nextDueOn })
  }
  await call(owner, 'PATCH', `/api/clients/${id}/details`, { email })
  return id
}
const mailOf = (name: string) => `${name.toLowerCase().replaceAll(' ', '.')}@example.org`
const sentTo = (name: string) =>
  post.mails.filter(({ to }) => !Array.isArray(to) && to?.text === mailOf(name))
const entryOf = async (of: string) => (await look()).log.find(({ name }) => name === of)!
const statesOf = async (name: string) =>
  (await look()).log.filter((entry) => entry.name === name).map(({ state }) => state)

beforeEach(async () => {
  // Only whom a test adds is there to be reminded.
  await api.engine.query(`update clients set archived_at = now()`)
  await settle({ quiet: { from: 0, until: 0 } })
  post.mails.length = post.manners.length = 0
})

describe('a mail', () => {
  test('has the words of the gym with its fields filled in, and how to stop', async () => {
    const { settings } = await look()
    await settle({
      rules: {
        ...settings.rules,
        'check-in-due': {
          ...{ on: true, days: 2, subject: 'Soon, {name}' },
          text: 'Dear {name}, the {what} is on {day}.\n{coach}',
        },
      },
    })
    await addClient('Wanda Words', 2)
    await sendReminders(api.db, noon())
    const [mail] = sentTo('Wanda Words')
    const day = new Date(`${addDays(today, 2)}T00:00:00Z`).toLocaleDateString('en-US', {
      ...{ weekday: 'long', month: 'long', day: 'numeric', timeZone: 'UTC' },
    })
    expect(mail!.subject).toBe('Soon, Wanda')
    expect(mail!.text).toContain(`Dear Wanda, the check-in is on ${day}.`)
    expect(mail!.text).not.toMatch(/[{}]/)
    expect(mail!.from!.text).toContain('gym@oak-pinch.example')
    // RFC 8058: a mail program stops them by itself, with one call.
    const headers = Object.fromEntries(mail!.headerLines.map(({ key, line }) => [key, line]))
    expect(headers['list-unsubscribe-post']).toBe(
      'List-Unsubscribe-Post: List-Unsubscribe=One-Click',
    )
    const list = /<(https:[^>]+)>/.exec(headers['list-unsubscribe']!)![1]!
    expect(mail!.text).toContain(`/stop#${list.split('/').at(-1)}`)
    await settle({ rules: settings.rules })
  })

  test('goes to nobody without an address, who stopped them, or while mail is off', async () => {
    await addClient('Nora None', 0, null)
    const stopped = await addClient('Stan Stopped', 0)
    await call(owner, 'PATCH', `/api/clients/${stopped}/details`, { mailStopped: true })
    await sendReminders(api.db, noon())
    await addClient('Otto Off', 0)
    await settle({ byMail: false })
    await sendReminders(api.db, noon())
    expect(post.mails).toEqual([])
    // Their texts are there to copy, with why.
    const ways = (await look()).due.map(({ name, way }) => [name, way])
    expect(ways).toEqual([
      ['Nora None', 'off'],
      ['Otto Off', 'off'],
      ['Stan Stopped', 'off'],
    ])
    await settle({ byMail: true })
    expect((await look()).due.map(({ way }) => way)).toEqual(['no-address', 'goes', 'stopped'])
  })

  test('waits for the end of the quiet hours', async () => {
    await addClient('Quentin Quiet', 0)
    const { getHours } = Date.prototype
    const hour = getHours.call(noon())
    await settle({ quiet: { from: hour, until: (hour + 2) % 24 } })
    await sendReminders(api.db, noon())
    expect(post.mails).toEqual([])
    await sendReminders(api.db, new Date(noon().getTime() + 2 * 3_600_000))
    expect(sentTo('Quentin Quiet')).toHaveLength(1)
  })

  test('is not sent for what is done meanwhile', async () => {
    const id = await addClient('Mina Moved', 0)
    post.manners.push('busy')
    await sendReminders(api.db, noon())
    await call(owner, 'PATCH', `/api/clients/${id}`, { nextDueOn: addDays(today, 20) })
    await sendReminders(api.db, noon(1))
    expect([post.mails.length, await statesOf('Mina Moved')]).toEqual([0, ['over']])
    // Moved back, it is due again, and was never said.
    await call(owner, 'PATCH', `/api/clients/${id}`, { nextDueOn: today })
    await sendReminders(api.db, noon())
    expect([sentTo('Mina Moved').length, await statesOf('Mina Moved')]).toEqual([1, ['sent']])
    post.mails.length = 0
    // Nor to whoever stopped them while one waited.
    const stops = await addClient('Sam Stops', 0)
    post.manners.push('busy')
    await sendReminders(api.db, noon())
    await call(owner, 'PATCH', `/api/clients/${stops}/details`, { mailStopped: true })
    await sendReminders(api.db, new Date(noon().getTime() + 6 * 60_000))
    expect([post.mails.length, await statesOf('Sam Stops')]).toEqual([0, ['over']])
  })

  test('with words in braces that are none is refused, naming them', async () => {
    const { settings } = await look()
    const rule = { ...settings.rules.overdue, text: 'Hello {first name}' }
    const body = { ...settings, rules: { ...settings.rules, overdue: rule } }
    const answer = await call(owner, 'PATCH', '/api/reminders', body)
    expect([answer.status, answer.body.problems[0]]).toEqual([
      422,
      expect.objectContaining({
        ...{ field: 'rules.overdue.text', got: '{first name}' },
        accepted: expect.stringContaining('{name}, {day}, {what}, {coach}, {gym}'),
      }),
    ])
  })
})

describe('once', () => {
  test('whoever looks how often, and however many at a time', async () => {
    const names = Array.from({ length: 12 }, (_, i) => `Many ${String.fromCharCode(65 + i)}`)
    for (const name of names) await addClient(name, 0)
    await Promise.all(Array.from({ length: 5 }, () => sendReminders(api.db, noon())))
    await sendReminders(api.db, noon())
    expect(post.mails.map(({ to }) => (Array.isArray(to) ? '' : to!.text)).sort()).toEqual(
      names.map(mailOf),
    )
  })

  test('a job is done by one of those who would do it at a time', async () => {
    const job = { name: randomUUID(), claimSeconds: 30 }
    const at = (seconds: number) => new Date(noon().getTime() + seconds * 1000)
    const claims = await Promise.all(Array.from({ length: 6 }, () => claimJob(api.db, job, at(0))))
    expect(claims.filter(Boolean)).toHaveLength(1)
    expect(await claimJob(api.db, job, at(29))).toBe(false)
    expect(await claimJob(api.db, job, at(30))).toBe(true)
    // A clock that was put back holds nobody up.
    expect(await claimJob(api.db, job, at(-3600))).toBe(true)
  })

  test('also where the coach said it', async () => {
    const id = await addClient('Cora Copied', 0)
    const [due] = (await look()).due
    const { kind, of, dueOn } = due!
    for (let twice = 0; twice < 2; twice++) {
      const answer = await call(owner, 'POST', `/api/clients/${id}/reminders`, { kind, of, dueOn })
      expect(answer.body.due).toEqual([])
    }
    await sendReminders(api.db, noon())
    expect([post.mails.length, await statesOf('Cora Copied')]).toEqual([0, ['copied']])
  })

  test('what broke off after the server had it all is not sent again by itself', async () => {
    const id = await addClient('Una Unclear', 0)
    post.manners.push('hang up')
    await sendReminders(api.db, noon())
    await sendReminders(api.db, noon())
    expect([sentTo('Una Unclear').length, await statesOf('Una Unclear')]).toEqual([1, ['unclear']])
    // Only where the coach wants it; the program that reads it knows the two for one.
    const entry = await entryOf('Una Unclear')
    await call(owner, 'POST', `/api/clients/${id}/reminders/${entry.id}/again`)
    await sendReminders(api.db, new Date())
    const sent = sentTo('Una Unclear')
    expect([sent.length, await statesOf('Una Unclear')]).toEqual([2, ['sent']])
    expect(sent[0]!.messageId).toBe(sent[1]!.messageId)
  })

  test('what a process took and never ended is told and not sent again', async () => {
    await addClient('Ada Adrift', 0)
    post.manners.push('busy')
    await sendReminders(api.db, noon())
    await api.engine.query(
      `update access.reminders set state = 'sending', claimed_at = $1 where state = 'waiting'`,
      [new Date(noon().getTime() - 9 * 60_000).toISOString()],
    )
    await sendReminders(api.db, noon())
    expect(await statesOf('Ada Adrift')).toEqual(['sending'])
    await sendReminders(api.db, new Date(noon().getTime() + 2 * 60_000))
    expect([post.mails.length, await statesOf('Ada Adrift')]).toEqual([0, ['unclear']])
  })
})

describe('a server', () => {
  test('that is busy is asked again, later each time', async () => {
    await addClient('Bea Busy', 0)
    post.manners.push('busy', 'busy')
    const after = (minutes: number) => new Date(noon().getTime() + minutes * 60_000)
    const triedAt = async () => (await entryOf('Bea Busy')).nextTryAt
    await sendReminders(api.db, noon())
    expect(await triedAt()).toBe(after(5).toISOString())
    await sendReminders(api.db, after(4))
    expect([await triedAt(), post.manners.length]).toEqual([after(5).toISOString(), 1])
    await sendReminders(api.db, after(5))
    expect(await entryOf('Bea Busy')).toMatchObject({
      ...{ state: 'waiting', tries: 2, nextTryAt: after(20).toISOString() },
      trouble: expect.stringContaining('come back later'),
    })
    await sendReminders(api.db, after(20))
    expect([sentTo('Bea Busy').length, await statesOf('Bea Busy')]).toEqual([1, ['sent']])
  })

  test('that knows no such box is not asked again; the rest goes out', async () => {
    await addClient('Fay Failed', 0, 'no.such.box@example.org')
    await addClient('Gus Goes', 0)
    await sendReminders(api.db, noon())
    await sendReminders(api.db, noon(1))
    expect(await entryOf('Fay Failed')).toMatchObject({
      ...{ state: 'failed', tries: 1 },
      trouble: expect.stringContaining('no such box'),
    })
    expect(sentTo('Gus Goes')).toHaveLength(1)
  })

  test('that does not answer at all is asked again', async () => {
    const { url } = post
    process.env.SMTP_URL = 'smtp://127.0.0.1:1'
    await addClient('Dora Down', 0)
    await addClient('Dirk Down', 0)
    // Nobody waits for it a second time in one round.
    expect(await sendReminders(api.db, noon())).toBe(0)
    expect(
      (await look()).log.filter(({ name, tries }) => /Down/.test(name) && tries > 0),
    ).toHaveLength(1)
    process.env.SMTP_URL = url
    expect(await statesOf('Dora Down')).toEqual(['waiting'])
    await sendReminders(api.db, new Date(noon().getTime() + 5 * 60_000))
    expect([sentTo('Dora Down').length, sentTo('Dirk Down').length]).toEqual([1, 1])
  })
})

describe('whoever wants no more', () => {
  test('has one tap, stays out after a restored record, and may come back', async () => {
    const id = await addClient('Tess Tap', 0)
    await sendReminders(api.db, noon())
    const key = /\/stop#(\S+)/.exec(sentTo('Tess Tap')[0]!.text!)![1]!
    const { rows } = await api.engine.query(`select to_json(k)::text as it from access.mail_keys k`)
    expect(JSON.stringify(rows)).not.toContain(key)
    // As a mail program does it by itself: a form, and no session.
    const oneClick = await api.raw('POST', `/api/mail-stops/${key}`, {
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
      body: 'List-Unsubscribe=One-Click',
    })
    expect([oneClick.status, await oneClick.json()]).toEqual([200, { stopped: true }])
    const stopped = async () =>
      (await call(owner, 'GET', `/api/clients/${id}/details`)).body.mailStopped as boolean
    expect(await stopped()).toBe(true)
    // The record of a week ago knows nothing of it.
    await api.engine.query(`update client_details set mail_stopped_at = null`)
    expect(await stopped()).toBe(true)
    await call(owner, 'PATCH', `/api/clients/${id}`, { nextDueOn: addDays(today, 1) })
    await sendReminders(api.db, noon())
    expect(sentTo('Tess Tap')).toHaveLength(1)
    await call('', 'DELETE', `/api/mail-stops/${key}`)
    await sendReminders(api.db, noon())
    expect([await stopped(), sentTo('Tess Tap').length]).toEqual([false, 2])
    expect((await call('', 'POST', '/api/mail-stops/made-up')).status).toBe(404)
  })

  test('is forgotten with everything when erased', async () => {
    const id = await addClient('Erin Erased', 0)
    await sendReminders(api.db, noon())
    await call(owner, 'PATCH', `/api/clients/${id}/details`, { mailStopped: true })
    await call(owner, 'PATCH', `/api/clients/${id}`, { archived: true })
    await call(owner, 'POST', `/api/clients/${id}/erase`, { name: 'Erin Erased' })
    const { rows } = await api.engine.query(
      `select (select count(*) from access.reminders where client_id = $1)
        + (select count(*) from access.mail_keys where client_id = $1)
        + (select count(*) from access.mail_stops where client_id = $1) as left`,
      [id],
    )
    expect(Number((rows[0] as { left: number }).left)).toBe(0)
  })
})

test('an overdue report is reminded of as one, and not once it came', async () => {
  const id = await addClient('Rita Report', null)
  const weekday = weekdayOf(addDays(today, -3))
  await call(owner, 'PATCH', `/api/clients/${id}/details`, {
    asks: { girths: ['waist'], photos: false, feelings: [], weekday },
  })
  await api.engine.query(`update client_details set updated_at = now() - interval '30 days'`)
  expect((await look()).due).toMatchObject([
    { kind: 'overdue', of: 'report', dueOn: addDays(today, -3) },
  ])
  await sendReminders(api.db, noon())
  expect(sentTo('Rita Report')[0]!.subject).toMatch(/^Your weekly report of /)
  // A page of their own is named where they can open it.
  expect(sentTo('Rita Report')[0]!.text).toMatch(/https:\/\/\S+\/my$/m)
})

describe('a calendar', () => {
  const feedOf = async (cookie: string, path = '/api/calendar-feed') => {
    const made = await call(cookie, 'POST', path)
    expect(made.status, made.text).toBe(201)
    return new URL(made.body.addresses[0] as string).pathname
  }
  const read = async (path: string) => (await call('', 'GET', path)).text

  test('follows by a secret address that is renewed and ended at once', async () => {
    const id = await addClient('Cal Endar', 3)
    await call(owner, 'POST', `/api/clients/${id}/appointments`, {
      ...{ id: randomUUID(), minutes: 60, words: 'by the rack' },
      startsAt: `${addDays(today, 1)}T09:30:00Z`,
    })
    const first = await feedOf(owner)
    const text = await read(first)
    const plain = (day: string) => day.replaceAll('-', '')
    expect(text).toContain(`DTSTART;VALUE=DATE:${plain(addDays(today, 3))}`)
    expect(text).toContain(`DTSTART:${plain(addDays(today, 1))}T093000Z`)
    const { rows } = await api.engine.query(`select hash from access.calendar_feeds`)
    expect(JSON.stringify(rows)).not.toContain(first.split('/').at(-1))
    const second = await feedOf(owner)
    expect([(await call('', 'GET', first)).status, (await call('', 'GET', second)).status]).toEqual(
      [401, 200],
    )
    await call(owner, 'DELETE', '/api/calendar-feed')
    expect((await call('', 'GET', second)).status).toBe(401)
  })

  test('of a client has their own days and nobody’s name', async () => {
    await addClient('Some Body', 2)
    const id = await addClient('Own Days', 4)
    await call(owner, 'PATCH', `/api/clients/${id}/details`, {
      asks: { girths: [], photos: false, feelings: [], weekday: 2 },
    })
    const link = await call(owner, 'POST', `/api/clients/${id}/links`, {
      id: randomUUID(),
      days: 7,
    })
    const key = (link.body.addresses[0] as string).split('#')[1]
    const opened = await call('', 'POST', '/api/link', { key, birthYear: 1990 })
    const text = await read(await feedOf(cookieOf(opened.response), '/api/my/calendar-feed'))
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2)
    expect(text).toContain('RRULE:FREQ=WEEKLY')
    expect(text).not.toMatch(/Some|Body|Own Days/)
  })

  test('of somebody who may see no clients any more shows none', async () => {
    const account = { id: randomUUID(), name: 'Cara', role: 'coach', personId: null }
    await call(owner, 'POST', '/api/access/accounts', { ...account, password: PASSWORD })
    const signed = await call('', 'POST', '/api/sign-in', { name: 'Cara', password: PASSWORD })
    const feed = await feedOf(cookieOf(signed.response))
    expect((await call('', 'GET', feed)).status).toBe(200)
    await call(owner, 'PATCH', `/api/access/accounts/${account.id}`, { role: 'assistant' })
    expect((await call('', 'GET', feed)).status).toBe(401)
  })
})
