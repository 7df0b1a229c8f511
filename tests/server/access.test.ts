import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { isoDateOf } from '#core'
import { routesOf } from '#shared/contract'
import { pathOf, type Route } from '#shared/contract/define'
import {
  aReading,
  startWithSamples,
  type Sample,
  type SampledApi,
  type Samples,
} from './support/samples'
import { callerOf, cookieOf } from './support/signed'

/*
 * Who gets in, and what they may do: every route as nobody and as every role, held against a table that was written down
 * apart from the one that the server goes by.
 */

const ROUTES = routesOf()
const PASSWORD = 'four words in a row'

/** Who may call what: owner, coach, assistant, a coach who is kept to their own clients, and a client by a link. */
const MAY: Record<string, string> = {
  ...{ 'today.list': 'oc+', 'today.done': 'oc+', 'calendar.month': 'oc+', 'calendar.file': 'oc+' },
  ...{ 'clients.list': 'oc+', 'clients.add': 'oc+', 'clients.view': 'oc', 'clients.change': 'oc' },
  ...{ 'clients.erase': 'o', 'clients.record': 'oc', 'clients.file': 'oc', 'clients.screen': 'oc' },
  ...{ 'clients.keepSiteNote': 'oc', 'clients.archived': 'oc+', 'clients.erased': 'oca+' },
  ...{ 'weighIns.list': 'oc', 'weighIns.add': 'oc', 'weighIns.remove': 'oc' },
  ...{ 'notes.add': 'oc', 'notes.remove': 'oc' },
  ...{ 'photos.list': 'oc', 'photos.add': 'oc', 'photos.picture': 'oc', 'photos.setPoints': 'oc' },
  ...{ 'photos.remove': 'oc+', 'photos.restore': 'oc+' },
  ...{ 'plans.list': 'oc', 'plans.keep': 'oc', 'plans.refuse': 'oc', 'plans.clear': 'oc' },
  ...{ 'plans.end': 'oc' },
  ...{ 'checkIns.start': 'oc', 'checkIns.view': 'oc', 'checkIns.change': 'oc' },
  ...{ 'checkIns.discard': 'oc', 'checkIns.close': 'oc', 'checkIns.void': 'oc' },
  ...{ 'checkIns.restore': 'oc', 'checkIns.move': 'oc' },
  ...{ 'checkIns.addReadings': 'oca', 'checkIns.caller': 'oca', 'checkIns.live': 'oca' },
  ...{ 'details.view': 'oc', 'details.change': 'oc', 'details.keepNote': 'oc' },
  ...{ 'details.removeNote': 'oc', 'details.keepAppointment': 'oc' },
  ...{ 'details.cancelAppointment': 'oc', 'sharing.preview': 'oc', 'sharing.file': 'oc' },
  ...{ 'sharing.addLink': 'oc', 'sharing.endLink': 'oc', 'sharing.open': 'noca+x' },
  ...{ 'weeklyReports.list': 'oc', 'weeklyReports.add': 'oc', 'weeklyReports.decide': 'oc' },
  ...{ 'weeklyReports.ask': 'oc' },
  ...{ 'my.page': 'x', 'my.send': 'x', 'my.answer': 'x', 'my.addPhoto': 'x', 'my.photo': 'x' },
  ...{ 'gym.view': 'oca+', 'gym.change': 'oc+', 'gym.addTester': 'o', 'gym.changeTester': 'o' },
  ...{ 'gym.addInstrument': 'oc+', 'gym.changeInstrument': 'oc+', 'gym.checkInstrument': 'oc+' },
  ...{ 'gym.zeroInstrument': 'oc+', 'gym.correctInstrument': 'o' },
  ...{ 'gym.keepProtocol': 'oc+', 'gym.removeProtocol': 'oc+' },
  ...{ 'otherResults.add': 'oc', 'otherResults.remove': 'oc' },
  ...{ 'studies.begin': 'oc+', 'studies.view': 'oc+' },
  ...{ 'studies.take': 'oc+', 'studies.end': 'oc+', 'studies.certificate': 'oc+' },
  ...{ 'studies.tester': 'oc+', 'studies.practice': 'oc+', 'studies.keepPractice': 'oc+' },
  ...{ 'gym.logo': 'oca+', 'gym.keepLogo': 'oc+', 'gym.removeLogo': 'oc+' },
  ...{ 'reports.client': 'oc', 'reports.sumByAge': 'oca+' },
  ...{ 'backups.view': 'o', 'backups.make': 'o', 'backups.change': 'o', 'backups.bring': 'o' },
  ...{ 'exchange.imports': 'o', 'exchange.known': 'o', 'exchange.bring': 'o' },
  ...{ 'exchange.sheetKeys': 'o', 'exchange.addSheetKey': 'o', 'exchange.removeSheetKey': 'o' },
  ...{ 'exchange.sheet': 'noca+x' },
  ...{ 'exchange.undo': 'o', 'exchange.everything': 'o', 'exchange.client': 'oc' },
  ...{ 'backups.file': 'o', 'backups.tryOut': 'o', 'backups.restore': 'o' },
  ...{ 'leaderboards.list': 'oc', 'leaderboards.add': 'oc', 'leaderboards.view': 'oc' },
  ...{ 'leaderboards.change': 'oc', 'leaderboards.remove': 'oc', 'leaderboards.close': 'oc' },
  ...{ 'leaderboards.reopen': 'oc', 'leaderboards.hang': 'oc', 'leaderboards.takeDown': 'oc' },
  ...{ 'leaderboards.wall': 'noca+x' },
  ...{ 'reminders.view': 'oc+', 'reminders.change': 'o', 'reminders.said': 'oc' },
  ...{ 'reminders.again': 'oc', 'reminders.feed': 'oc+', 'reminders.endFeed': 'oc+' },
  ...{ 'reminders.myFeed': 'x', 'reminders.subscribed': 'noca+x', 'reminders.outbox': 'o' },
  ...{ 'reminders.stop': 'noca+x', 'reminders.resume': 'noca+x' },
  ...{ 'access.me': 'noca+x', 'access.signIn': 'noca+x', 'access.signOut': 'oca+x' },
  ...{ 'access.begin': 'o', 'access.changePassword': 'oca+', 'access.nameDevice': 'oca+' },
  ...{ 'access.view': 'o', 'access.change': 'o', 'access.addAccount': 'o' },
  ...{ 'access.changeAccount': 'o', 'access.removeAccount': 'o', 'access.endSession': 'o' },
  ...{ 'access.events': 'o', 'access.seen': 'oc', 'access.assign': 'o' },
  ...{ 'access.coach': 'o' },
  ...{
    'access.openCheckIns': 'oca+',
    'access.phones': 'noca+x',
    'access.health': 'noca+x',
    'access.letPhonesIn': 'o',
  },
  ...{ 'access.certificate': 'noca+x', 'access.offerPairing': 'oca+', 'access.pair': 'noca+x' },
}
/** What a route answers to somebody who may not know whom it is about. */
const HIDDEN =
  /^(?!leaderboards|my\.|reminders\.(?:change|outbox|myFeed)|clients\.erase|access\.(?:assign|coach)|backups|exchange\.(?!client)|gym|access\.(?!seen))/

let api: SampledApi
let made: Samples
beforeAll(async () => void ({ api, made } = await startWithSamples()))
afterAll(() => api.close())

const call = callerOf(() => api)

async function signIn(name: string, password = PASSWORD) {
  const answer = await call('', 'POST', '/api/sign-in', { name, password })
  return { ...answer, cookie: cookieOf(answer.response) }
}

let owner: string
/** Somebody who measures. */
async function person(name: string) {
  const id = randomUUID()
  await call(owner, 'POST', '/api/gym/testers', { id, name, skill: 'trained' })
  return id
}
const account = async (name: string, role: string, personId: string | null = null) => {
  const id = randomUUID()
  const account = { id, name, role, personId, password: PASSWORD }
  const answer = await call(owner, 'POST', '/api/access/accounts', account)
  expect(answer.status, JSON.stringify(answer.body)).toBe(201)
  return id
}

test('until a password is set nobody signs in, and from then on everybody does', async () => {
  expect((await call('', 'GET', '/api/me')).body).toMatchObject({
    ...{ signIn: false, me: { role: 'owner', userId: null } },
  })
  const set = await call('', 'POST', '/api/access/owner', {
    ...{ name: 'Olive Owner', password: PASSWORD },
  })
  expect(set.status).toBe(201)
  owner = cookieOf(set.response)
  expect(set.response.headers.getSetCookie()[0]).toMatch(/HttpOnly; SameSite=Lax/)
  expect((await call('', 'GET', '/api/clients')).status).toBe(401)
  expect((await call('', 'GET', '/api/me')).body).toEqual({ signIn: true, me: null })
  expect((await call(owner, 'GET', '/api/me')).body).toMatchObject({
    ...{ signIn: true, me: { name: 'Olive Owner', role: 'owner' } },
  })
  const again = { name: 'Another', password: PASSWORD }
  expect((await call('', 'POST', '/api/access/owner', again)).status).toBe(401)
  expect((await call(owner, 'POST', '/api/access/owner', again)).body.problems[0].code).toBe(
    'owner-there',
  )
})

describe('every route, as every role and as nobody', () => {
  const cookies: Record<string, string> = {}
  beforeAll(async () => {
    // Of whom nobody of those below is the coach.
    await account('Cleo', 'coach', await person('Cleo Coach'))
    await account('Asa', 'assistant')
    await call(owner, 'PATCH', '/api/phones', { open: true })
  })
  afterAll(() => call(owner, 'PATCH', '/api/phones', { open: false }))
  /** A client of the gym who came by a link, and is nobody's whom the samples are about. */
  async function client() {
    const { other } = made
    const path = `/api/clients/${other.id}/links`
    const link = await call(owner, 'POST', path, { id: randomUUID(), days: 7 })
    const [, key] = link.body.addresses[0].split('#')
    const opened = await call('', 'POST', '/api/link', { key, birthYear: 1990 })
    expect(opened.status, JSON.stringify(opened.body)).toBe(200)
    return cookieOf(opened.response)
  }
  beforeEach(async () => {
    cookies.n = ''
    for (const [who, name] of [
      ['o', 'Olive Owner'],
      ['c', 'Cleo'],
      ['a', 'Asa'],
    ] as const)
      cookies[who] ||= (await signIn(name)).cookie
    cookies['+'] = cookies.c!
    cookies.x ||= await client()
  })

  test('is in the table', () => {
    expect(Object.keys(MAY).sort()).toEqual(ROUTES.map(([name]) => name).sort())
  })

  async function asked(cookie: string, route: Route, { params, query, body, file }: Sample) {
    const search = query ? `?${new URLSearchParams(query)}` : ''
    const response = await api.raw(route.method, pathOf(route.path, params) + search, {
      headers: { cookie, 'content-type': file?.type ?? 'application/json' },
      ...(file ? { body: file.bytes } : route.body ? { body: JSON.stringify(body) } : {}),
    })
    const words = response.headers.get('content-type')?.startsWith('application/json')
    return { status: response.status, code: words ? codeOf(await response.json()) : undefined }
  }
  const codeOf = (answer: { problems?: { code: string }[] }) => answer.problems?.[0]?.code

  test.each(ROUTES)('%s', async (name, route) => {
    for (const who of ['n', 'x', 'a', '+', 'c', 'o']) {
      // It ends the session that the next test goes on with.
      if (name === 'access.signOut' && who === 'x') cookies.x = await client()
      else if (name === 'access.signOut' && who !== 'n')
        cookies[who] = (await signIn({ o: 'Olive Owner', a: 'Asa' }[who] ?? 'Cleo')).cookie
      if (who === '+') await call(cookies.o!, 'PATCH', '/api/access', { coachesSee: 'own' })
      const { status, code } = await asked(cookies[who]!, route, made.samples[name]!())
      if (who === '+') await call(cookies.o!, 'PATCH', '/api/access', { coachesSee: 'all' })
      if (name === 'access.signOut') cookies[who] = ''
      const words = `${name} as ${who}: ${status} ${code}`
      if (MAY[name]!.includes(who)) expect(['sign-in', 'may-not'], words).not.toContain(code)
      else if (who === 'n') expect([status, code], words).toEqual([401, 'sign-in'])
      else if (who === '+' && HIDDEN.test(name))
        expect([status, code], words).toEqual([404, 'not-found'])
      else expect([status, code], words).toEqual([403, 'may-not'])
    }
  })
})

describe('a coach who is kept to their own clients', () => {
  let coach: string
  let mine: string
  let theirs: string
  beforeAll(async () => {
    await account('Own', 'coach', await person('Own Coach'))
    await call(owner, 'PATCH', '/api/access', { coachesSee: 'own' })
    coach = (await signIn('own')).cookie
    const client = (name: string) => ({
      ...{ id: randomUUID(), name, sex: 'female', birthDate: '1991-05-05', birthYear: null },
      ...{ height: '170 cm', cadenceDays: 28 },
    })
    mine = (await call(coach, 'POST', '/api/clients', client('Mine Minder'))).body.id
    theirs = (await call(owner, 'POST', '/api/clients', client('Their Thorn'))).body.id
  })
  afterAll(() => call(owner, 'PATCH', '/api/access', { coachesSee: 'all' }))

  const names = async () =>
    (await call(coach, 'GET', '/api/clients')).body.entries.map(
      ({ client }: { client: { name: string } }) => client.name,
    )

  test('sees them alone in every list, and no one else by address', async () => {
    expect(await names()).toEqual(['Mine Minder'])
    const day = isoDateOf(new Date())
    const today = (await call(coach, 'GET', '/api/today')).body
    expect([today.clients, today.backups]).toEqual([1, null])
    const month = await call(coach, 'GET', `/api/calendar?from=${day}&to=${day}`)
    expect(JSON.stringify(month.body)).not.toContain('Rae')
    const file = await (
      await api.raw('GET', '/api/calendar.ics', { headers: { cookie: coach } })
    ).text()
    expect(file).not.toMatch(/Rae|Thorn/)
    expect((await call(coach, 'GET', `/api/clients/${mine}/file`)).status).toBe(200)
    expect((await call(coach, 'GET', `/api/clients/${theirs}/file`)).status).toBe(404)
    // Nor by what a body names.
    const start = {
      ...{ id: randomUUID(), clientId: theirs, measuredOn: day, fromPaper: true },
      startedAt: new Date().toISOString(),
    }
    expect((await call(coach, 'POST', '/api/check-ins', start)).status).toBe(404)
  })

  test('gets whom the owner gives them', async () => {
    const { body } = await call(coach, 'GET', '/api/me')
    const given = await call(owner, 'PATCH', `/api/clients/${theirs}/coach`, {
      coachId: body.me.personId,
    })
    expect(given.body).toEqual({ coachId: body.me.personId })
    expect(await names()).toEqual(['Mine Minder', 'Their Thorn'])
    await call(owner, 'PATCH', `/api/clients/${theirs}/coach`, { coachId: null })
    expect(await names()).toEqual(['Mine Minder'])
  })
})

describe('an assistant', () => {
  let assistant: string
  let checkIn: string
  beforeAll(async () => {
    await account('Typa', 'assistant')
    assistant = (await signIn('TYPA ')).cookie
    checkIn = randomUUID()
    await call(owner, 'POST', '/api/check-ins', {
      ...{ id: checkIn, clientId: made.other.id, protocolId: 'seven-fold', fromPaper: false },
      ...{ measuredOn: isoDateOf(new Date()), startedAt: new Date().toISOString() },
    })
  })

  test('sees whom a check-in is open for, types along, and sees nothing from before', async () => {
    const open = (await call(assistant, 'GET', '/api/open-check-ins')).body
    expect(open).toContainEqual({
      id: checkIn,
      name: made.other.name,
      startedAt: expect.any(String),
    })
    const { settings } = (await call(owner, 'GET', '/api/gym')).body
    const reading = aReading(checkIn, settings)
    const typed = await call(assistant, 'POST', `/api/check-ins/${checkIn}/readings`, {
      readings: [reading],
    })
    expect(typed.body.stored).toEqual([reading.id])
    const view = await call(assistant, 'GET', `/api/check-ins/${checkIn}/caller`)
    expect(Object.keys(view.body).sort()).toEqual(['checkIn', 'client', 'siteNotes'])
    expect((await call(assistant, 'GET', `/api/check-ins/${checkIn}/live`)).status).toBe(403)
    expect((await call(assistant, 'GET', `/api/check-ins/${checkIn}`)).status).toBe(403)
  })

  test('loses sight of it when it is closed', async () => {
    await call(owner, 'POST', `/api/check-ins/${checkIn}/close`, {})
    expect((await call(assistant, 'GET', `/api/check-ins/${checkIn}/caller`)).status).toBe(404)
    const open = (await call(assistant, 'GET', '/api/open-check-ins')).body as { id: string }[]
    expect(open.map(({ id }) => id)).not.toContain(checkIn)
  })
})

describe('sessions', () => {
  test('end at once: by signing out, by the owner, by another role, by a new password', async () => {
    const id = await account('Sess', 'coach')
    const seen = async (cookie: string) => (await call(cookie, 'GET', '/api/gym')).status
    const [one, two, three] = [await signIn('Sess'), await signIn('Sess'), await signIn('Sess')]
    expect(await seen(one.cookie)).toBe(200)
    await call(one.cookie, 'POST', '/api/sign-out')
    expect([await seen(one.cookie), await seen(two.cookie)]).toEqual([401, 200])
    await call(two.cookie, 'PATCH', '/api/me/device', { device: 'Tablet' })
    const { accounts } = (await call(owner, 'GET', '/api/access')).body
    const { sessions } = accounts.find((a: { id: string }) => a.id === id)
    const tablet = sessions.find(({ device }: { device: string }) => device === 'Tablet')
    await call(owner, 'DELETE', `/api/access/sessions/${tablet.id}`)
    expect([await seen(two.cookie), await seen(three.cookie)]).toEqual([401, 200])
    await call(owner, 'PATCH', `/api/access/accounts/${id}`, { role: 'assistant' })
    expect(await seen(three.cookie)).toBe(401)

    const [here, there] = [await signIn('Sess'), await signIn('Sess')]
    const change = (current: string) => ({ current, password: 'another four words' })
    const wrong = await call(here.cookie, 'POST', '/api/me/password', change('not this one'))
    expect([wrong.status, wrong.body.problems[0].field]).toEqual([422, 'current'])
    await call(here.cookie, 'POST', '/api/me/password', change(PASSWORD))
    expect([await seen(here.cookie), await seen(there.cookie)]).toEqual([200, 401])
    expect((await signIn('Sess')).status).toBe(401)
    expect((await signIn('Sess', 'another four words')).status).toBe(200)
    await call(owner, 'DELETE', `/api/access/accounts/${id}`)
    expect(await seen(here.cookie)).toBe(401)
  })

  test('cannot be made up, and a changed cookie is nobody’s', async () => {
    expect((await call(owner.replace(/.$/, '~'), 'GET', '/api/gym')).status).toBe(401)
    expect((await call('oak-pinch.session_token=abc.def', 'GET', '/api/gym')).status).toBe(401)
  })
})

describe('a code for a device', () => {
  const offer = (cookie: string, userId: string) =>
    call(cookie, 'POST', '/api/pairings', { userId, device: 'Cleo’s phone' })
  const use = (code: string) => call('', 'POST', '/api/pair', { code })
  let id: string
  let coach: string
  beforeAll(async () => {
    id = await account('Paired', 'coach')
    coach = (await signIn('Paired')).cookie
    await call(owner, 'PATCH', '/api/phones', { open: true })
  })

  test('lets in whom it was made for, once, under the name that the device was given', async () => {
    const { body, status } = await offer(coach, id)
    expect(status).toBe(201)
    const { response, body: me } = await use(body.code)
    expect(me.me).toMatchObject({ userId: id, role: 'coach' })
    const cookie = response.headers.getSetCookie()[0]!.split(';')[0]!
    expect((await call(cookie, 'GET', '/api/gym')).status).toBe(200)
    const { accounts } = (await call(owner, 'GET', '/api/access')).body
    expect(accounts.find((a: { id: string }) => a.id === id).sessions[0].device).toBe(
      'Cleo’s phone',
    )
    const again = await use(body.code)
    expect([again.status, again.body.problems[0].code]).toEqual([401, 'pairing'])
  })

  test('is good for nobody else, not when a newer one was made, and not after its time', async () => {
    const first = (await offer(coach, id)).body.code
    const second = (await offer(owner, id)).body
    expect((await use(first)).status).toBe(401)
    expect(Date.parse(second.until) - Date.now()).toBeLessThanOrEqual(5 * 60_000)
    await api.engine.query(`update access.verifications set expires_at = now() - interval '1 s'`)
    expect((await use(second.code)).status).toBe(401)
    const other = await account('Not Paired', 'coach')
    expect((await offer(coach, other)).status).toBe(404)
  })

  test('does not stand in the database', async () => {
    const { code } = (await offer(coach, id)).body
    const { rows } = await api.engine.query(`select * from access.verifications`)
    expect(JSON.stringify(rows)).not.toContain(code)
  })

  test('is made for nobody while phones are shut out', async () => {
    await call(owner, 'PATCH', '/api/phones', { open: false })
    expect((await offer(coach, id)).body.problems[0].code).toBe('door-shut')
  })
})

describe('passwords and names', () => {
  test('one that everybody tries first, one’s own name, and a short one are refused in words', async () => {
    for (const password of ['qwertyuiop', '1234567890', 'Petra Passwort', 'short'])
      expect(
        (
          await call(owner, 'POST', '/api/access/accounts', {
            ...{
              id: randomUUID(),
              name: 'Petra Passwort',
              role: 'coach',
              personId: null,
              password,
            },
          })
        ).body.problems[0],
        password,
      ).toMatchObject({ field: 'password', message: expect.stringMatching(/^Password: enter /) })
  })

  test('one name is one account, however it is written', async () => {
    await account('José Lift', 'coach')
    const same = await call(owner, 'POST', '/api/access/accounts', {
      ...{
        id: randomUUID(),
        name: ' JOSE\u0301 LIFT',
        role: 'coach',
        personId: null,
        password: PASSWORD,
      },
    })
    expect([same.status, same.body.problems[0].field]).toEqual([409, 'name'])
    expect((await signIn('josé lift')).status).toBe(200)
  })

  test('the last owner stays one', async () => {
    const { body } = await call(owner, 'GET', '/api/me')
    const path = `/api/access/accounts/${body.me.userId}`
    expect((await call(owner, 'PATCH', path, { role: 'coach' })).body.problems[0].code).toBe(
      'last-owner',
    )
    expect((await call(owner, 'DELETE', path)).body.problems[0].code).toBe('last-owner')
  })

  test('wrong ones are answered in the same words as wrong names, and have to wait after ten', async () => {
    await account('Slow', 'coach')
    const unknown = await signIn('Nobody of that name')
    const wrong = await signIn('Slow', 'wrong words in a row')
    expect(wrong.body).toEqual(unknown.body)
    for (let tries = 1; tries < 10; tries++) await signIn('Slow', 'wrong words in a row')
    const answer = await signIn('Slow')
    expect([answer.status, answer.body.problems[0].code]).toEqual([429, 'wait'])
    // Nobody else is held up.
    expect((await signIn('Olive Owner')).status).toBe(200)
  })
})

test('who looked at a client and who did what is written down, once a look, and goes with the client', async () => {
  const id = randomUUID()
  await call(owner, 'POST', '/api/clients', {
    ...{ id, name: 'Seen Once', sex: 'male', birthDate: '1980-01-01', birthYear: null },
    ...{ height: '180 cm', cadenceDays: 28 },
  })
  const { cookie } = await signIn('josé lift')
  for (let times = 0; times < 3; times++) await call(cookie, 'GET', `/api/clients/${id}/file`)
  await call(cookie, 'PATCH', `/api/clients/${id}`, { cadenceDays: 14 })
  const { events } = (await call(cookie, 'GET', `/api/clients/${id}/seen`)).body
  expect(events.map(({ who, what }: { who: string; what: string }) => `${who}: ${what}`)).toEqual([
    'José Lift: clients.change',
    'José Lift: clients.file',
  ])
  await expect(api.engine.query(`update access.audit_events set who = 'x'`)).rejects.toThrow(
    /append-only/,
  )
  await call(owner, 'PATCH', `/api/clients/${id}`, { archived: true })
  const erased = await call(owner, 'POST', `/api/clients/${id}/erase`, { name: 'Seen Once' })
  expect(erased.status, JSON.stringify(erased.body)).toBe(200)
  const left = await call(owner, 'GET', `/api/access/events?client=${id}`)
  expect(left.body.total).toBe(0)
})
