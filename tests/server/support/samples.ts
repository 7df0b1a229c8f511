import { randomUUID } from 'node:crypto'
import { addDays, isoDateOf, usualRules } from '#core'
import type { Gym } from '#shared/contract/equipment'
import { startApi } from './app'

type Api = Awaited<ReturnType<typeof startApi>>

/** One well-formed request of a route. */
export interface Sample {
  params?: Record<string, string>
  query?: Record<string, string>
  body?: Record<string, unknown>
  /** Fields of the body that may be left out; `*` for all. */
  optional?: string[]
  /** A file in place of a body. */
  file?: { bytes: Buffer<ArrayBuffer>; type: string }
}

export const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

/** One fold as a screen sends it; with what is said in place of what it has. */
export const aReading = (
  checkInId: string,
  { testerId, caliperId }: Pick<Gym['settings'], 'testerId' | 'caliperId'>,
  more: object = {},
) => ({
  ...{ id: randomUUID(), checkInId, kind: 'skinfold', site: 'thigh', standard: 'us', trial: 1 },
  ...{ value: 22, typedUnit: 'mm', typedText: '22', takenAt: new Date().toISOString() },
  ...{ supersedes: null, testerId, instrumentId: caliperId },
  ...more,
})

/** A weekly report as a phone sends it; with what is said in place of what it has. */
export const aReport = ({ endsOn, ...more }: { endsOn: string } & Record<string, unknown>) => ({
  ...{ id: randomUUID(), endsOn, way: 'form' },
  weights: [{ date: endsOn, text: '62.4', unit: 'kg', otherwise: null }],
  girths: [
    { girth: 'waist', trial: 1, text: '74', unit: 'cm' },
    { girth: 'waist', trial: 2, text: '29 1/4', unit: 'in' },
  ],
  ...{ girthsOtherwise: null, feelings: { sleep: 4 }, note: 'slept well', message: null },
  ...more,
})
const LEFT_OUT_OF_REPORTS = ['way', 'girthsOtherwise', 'message']
const omitId = ({ id: _, ...rest }: { id: string } & Record<string, string>) => rest

/** One client in the lines that an import is sent in. */
function importLines(name: string, client: object = {}) {
  const id = randomUUID()
  const head = {
    ...{ id, fileName: 'old.csv', sha256: '0'.repeat(64), clients: 1 },
    gym: { people: [], instruments: [], ownProtocols: [] },
  }
  const line = { into: null, client: { id: randomUUID(), name, sex: 'male', ...client } }
  const text = `${JSON.stringify(head)}\n${JSON.stringify(line)}\n`
  return { id, file: { bytes: Buffer.from(text), type: 'application/x-ndjson' } }
}

/** A record with one of everything, and for every route of the contract a request that is right. */
async function makeSamples(api: Api) {
  const today = isoDateOf(new Date())
  const now = new Date().toISOString()
  const person = () => ({
    ...{ id: randomUUID(), name: 'Rae Row', sex: 'female', birthDate: '1990-03-14' },
    ...{ birthYear: 1990, height: '168 cm', cadenceDays: 28 },
  })
  const [client, other] = [person(), person()]
  await api.post('/api/clients', client)
  await api.post('/api/clients', other)
  const startOf = (clientId: string) => ({
    ...{ id: randomUUID(), clientId, protocolId: 'seven-fold', measuredOn: today },
    ...{ startedAt: now, fromPaper: true },
  })
  const { settings, instruments } = (await api.get('/api/gym')).body as Gym
  const reading = (checkInId: string) => aReading(checkInId, settings, { takenAt: now })
  /** A check-in in which something was measured. */
  async function measured() {
    const start = startOf(client.id)
    await api.post('/api/check-ins', start)
    await api.post(`/api/check-ins/${start.id}/readings`, { readings: [reading(start.id)] })
    return start.id
  }
  const [checkIn, empty] = [await measured(), startOf(client.id)]
  const madeKey = await api.add('/api/sheet-keys', { name: 'Sample sheet' })
  const sheetKey = (madeKey.body as { key: string }).key
  const spareKey = randomUUID()
  await api.post('/api/sheet-keys', { id: spareKey, name: 'Spare' })
  await api.send('/api/gym/logo', PNG, 'image/png')
  const brought = importLines('Bea Brought')
  await (
    await api.raw('POST', '/api/imports', {
      body: brought.file.bytes,
      headers: { 'content-type': brought.file.type },
    })
  ).text()
  await api.post('/api/check-ins', empty)
  const caliper = instruments.find(({ kind }) => kind === 'caliper')!
  const board = () => ({
    ...{ name: 'Spring', startsOn: addDays(today, -30), endsOn: today, measure: 'sum' },
    clientIds: [client.id],
  })
  const leaderboard = randomUUID()
  await api.post('/api/leaderboards', { id: leaderboard, ...board() })
  const keyIn = ({ body }: { body: unknown }) =>
    (body as { addresses: string[] }).addresses[0]!.split(/[/#]/).at(-1)!
  const wallKey = keyIn(
    await api.post(`/api/leaderboards/${leaderboard}/wall`, { showsFigures: true }),
  )
  const feedKey = keyIn(await api.post('/api/calendar-feed'))
  const note = () => ({ id: randomUUID(), date: today, kind: 'holiday', words: 'at the sea' })
  const kept = note()
  await api.post(`/api/clients/${client.id}/notes`, kept)
  const photo = (id: string = randomUUID()) => ({
    ...{ id, view: 'front', takenOn: today, width: '1', height: '1' },
  })
  const picture = photo()
  await api.send(
    `/api/clients/${client.id}/photos?${new URLSearchParams(picture)}`,
    PNG,
    'image/png',
  )
  await api.post('/api/gym/own-protocols', ownProtocol())
  // Kept already: what is right is kept once.
  const round = {
    ...{ id: randomUUID(), kind: 'dial', tries: 1, error: 0.2, bias: -0.2, late: 0.1 },
    typed: [12.3],
  }
  await api.post(`/api/gym/testers/${settings.testerId}/practice`, round)
  const zero = { id: randomUUID(), read: 0 }
  await api.post(`/api/gym/instruments/${caliper.id}/zero`, zero)
  const scan = {
    ...{ id: randomUUID(), method: 'dxa', device: 'Clinic', conditions: 'fasted', on: today },
    ...{ fatPercent: 21.4, fatKg: 13.1, leanKg: 48.2 },
  }
  await api.post(`/api/clients/${client.id}/other-results`, scan)
  const study = {
    ...{ id: randomUUID(), testerId: settings.testerId, referenceId: null, standard: 'us' },
    ...{ sites: ['thigh'], subjects: ['One', 'Two'] },
  }
  await api.post('/api/studies', study)
  const sessionNote = { id: randomUUID(), date: today, words: 'two lines\nof it' }
  await api.post(`/api/clients/${client.id}/session-notes`, sessionNote)
  const appointment = { id: randomUUID(), startsAt: now, minutes: 60, words: 'by the door' }
  await api.post(`/api/clients/${client.id}/appointments`, appointment)
  const report = () => aReport({ endsOn: today })
  const sent = report()
  await api.post(`/api/clients/${client.id}/weekly-reports`, sent)

  function ownProtocol() {
    return {
      ...{ id: 'own-sample', name: 'Sample', standard: 'us', folds: ['thigh'], girths: [] },
      ...usualRules('us'),
      wording: { thigh: { name: 'Front of the thigh' } },
    }
  }
  const definition = {
    ...{ goal: { kind: 'mass', value: 60 }, pace: { unit: 'kg', value: 0.3 }, form: 'lean' },
    ...{ activity: 1.5, training: 'strength', purpose: 'training', peakWeek: false },
    ...{ intakeKcal: 1900, needKcal: 2200, weeks: 10, checkInId: checkIn },
    ...{ fatKg: 16, leanKg: 46, standardError: 3.5 },
  }
  const instrument = {
    ...{ kind: 'caliper', name: 'Red', graduation: 0.5, jaws: 'spring', checkEveryDays: 90 },
    retired: false,
  }
  const rule = { on: true, days: 1, subject: 'Soon: {day}', text: 'Hello {name}\nsee you {day}.' }
  const reminderSettings = {
    ...{ byMail: false, quiet: { from: 20, until: 8 } },
    rules: { 'check-in-due': rule, 'report-due': rule, overdue: rule },
  }
  const mine = { params: { id: client.id } }
  const check = (id = checkIn) => ({ params: { id } })
  const samples: Record<string, () => Sample> = {
    'today.list': () => ({}),
    'today.done': () => ({
      body: { clientId: client.id, about: 'fat-down 2026-01-05', done: true },
    }),
    'calendar.month': () => ({ query: { from: today, to: addDays(today, 30) } }),
    'calendar.file': () => ({ query: { client: client.id } }),
    'clients.list': () => ({
      query: { search: 'rae', sort: 'due', descending: 'true', page: '1' },
    }),
    'clients.add': () => ({
      body: person(),
      optional: ['cadenceDays', 'birthDate', 'birthYear', 'height'],
    }),
    'clients.view': () => mine,
    'clients.change': () => ({
      ...mine,
      body: {
        ...{ name: 'Rae Row', sex: 'female', birthDate: '1990-03-14', height: '168 cm' },
        birthYear: 1990,
        ...{ cadenceDays: 28, heightTakenOn: today, showPercentages: true, cycleWanted: false },
        groupTerm: 'black',
        ...{ hiddenOnLeaderboards: false, nextDueOn: today, archived: false },
      },
      optional: ['*'],
    }),
    'clients.erase': () => ({ ...mine, body: { name: 'Somebody Else' } }),
    'clients.record': () => mine,
    'clients.file': () => mine,
    'clients.screen': () => ({
      ...mine,
      body: {
        id: randomUUID(),
        flags: ['pregnant'],
        closedSites: ['triceps'],
        training: 'athlete',
        build: 'usual',
        notes: '',
      },
      optional: ['closedSites', 'training', 'build', 'notes'],
    }),
    'clients.keepSiteNote': () => ({
      ...mine,
      body: { id: randomUUID(), site: 'thigh', standard: 'us', text: 'by the scar', side: 'right' },
    }),
    'clients.archived': () => ({}),
    'clients.erased': () => ({}),
    'weighIns.list': () => mine,
    'weighIns.add': () => ({ ...mine, body: { text: '62.4', last: today, unit: 'kg' } }),
    'weighIns.remove': () => ({ params: { id: client.id, date: today } }),
    'notes.add': () => ({ ...mine, body: note() }),
    'notes.remove': () => ({ params: { id: client.id, note: kept.id } }),
    'photos.list': () => mine,
    'photos.add': () => ({
      ...mine,
      query: { ...photo(), view: 'side' },
      file: { bytes: PNG, type: 'image/png' },
    }),
    'photos.picture': () => ({ params: { id: picture.id } }),
    'photos.setPoints': () => ({
      params: { id: picture.id },
      body: { crown: { x: 0.5, y: 0.1 }, groundPoint: { x: 0.5, y: 0.9 } },
    }),
    'photos.remove': () => ({ params: { id: randomUUID() } }),
    'photos.restore': () => ({ params: { id: randomUUID() } }),
    'plans.list': () => mine,
    'plans.keep': () => ({
      ...mine,
      body: {
        ...{ id: randomUUID(), startedOn: today, definition, cadenceDays: 21 },
        ...{ madeBy: 'Rae Row', changes: randomUUID() },
      },
      optional: ['cadenceDays', 'madeBy', 'changes'],
    }),
    'plans.refuse': () => ({
      ...mine,
      body: {
        id: randomUUID(),
        startedOn: today,
        definition: { ...definition, goal: { kind: 'mass', value: 40 } },
        madeBy: 'Rae Row',
      },
      optional: ['madeBy'],
    }),
    'plans.clear': () => ({
      ...mine,
      body: { id: randomUUID(), rule: 'insulin', by: 'Dr. Hale Testwell', on: today },
    }),
    'plans.end': () => ({ ...mine, body: {} }),
    'checkIns.start': () => ({ body: startOf(other.id), optional: ['protocolId', 'fromPaper'] }),
    'checkIns.view': () => check(),
    'checkIns.change': () => ({
      ...check(),
      body: {
        ...{ revision: 1_000_000, protocolId: 'seven-fold', conversion: 'siri', massDry: true },
        ...{ extraGirths: { waist: true }, skips: { chest: 'out of time' } },
        ...{ conditions: { notes: 'calm' }, consent: { by: 'client', at: now }, measuredOn: today },
        ...{ testerId: settings.testerId, caliperId: caliper.id, tapeId: null, scaleId: null },
        boneCaliperId: null,
      },
      optional: [
        'protocolId',
        'conversion',
        'massDry',
        'extraGirths',
        'skips',
        'conditions',
      ].concat(
        ...[
          ...[
            ['consent', 'measuredOn', 'testerId', 'caliperId', 'tapeId', 'scaleId'],
            ['boneCaliperId'],
          ],
        ],
      ),
    }),
    'checkIns.discard': () => check(empty.id),
    'checkIns.addReadings': () => ({ ...check(), body: { readings: [reading(checkIn)] } }),
    'checkIns.close': () => ({ ...check(empty.id), body: {} }),
    'checkIns.void': () => ({ ...check(), body: { reason: 'a slip' } }),
    'checkIns.restore': () => ({ ...check(), body: {} }),
    'checkIns.move': () => ({ ...check(), body: { clientId: other.id, reason: 'wrong name' } }),
    'checkIns.caller': () => check(),
    'checkIns.live': () => ({ ...check(), query: { for: 'caller' } }),
    'gym.view': () => ({}),
    'gym.change': () => ({
      body: {
        ...{ defaultProtocolId: 'seven-fold', standard: 'us', tolerance: { kind: 'mm', value: 1 } },
        ...{ testerId: settings.testerId, caliperId: caliper.id, tapeId: null, scaleId: null },
        boneCaliperId: null,
      },
      optional: ['*'],
    }),
    'gym.addTester': () => ({
      body: { id: randomUUID(), name: 'Tess', skill: 'novice', retired: false },
      optional: ['retired'],
    }),
    'gym.changeTester': () => ({
      params: { id: settings.testerId! },
      body: { name: 'Tess', skill: 'trained', retired: false },
      optional: ['retired'],
    }),
    'gym.addInstrument': () => ({
      body: { id: randomUUID(), ...instrument },
      optional: ['retired'],
    }),
    'gym.changeInstrument': () => ({
      params: { id: caliper.id },
      body: instrument,
      optional: ['retired'],
    }),
    'gym.checkInstrument': () => ({
      params: { id: caliper.id },
      body: { id: randomUUID(), checkedOn: today, points: [{ known: 10, read: 10 }] },
      optional: ['closingForce'],
    }),
    'otherResults.add': () => ({
      params: { id: client.id },
      body: { ...scan, id: randomUUID() },
      optional: ['device', 'conditions', 'fatKg', 'leanKg'],
    }),
    'otherResults.remove': () => ({ params: { id: client.id, part: scan.id } }),
    'gym.zeroInstrument': () => ({
      params: { id: caliper.id },
      // Kept already: what it reads may be less than nothing, and the same id is kept once.
      body: { ...zero },
    }),
    'gym.correctInstrument': () => ({ params: { id: caliper.id }, body: { corrected: true } }),
    'studies.begin': () => ({ body: { ...study, id: randomUUID() } }),
    'studies.view': () => ({ params: { id: study.id } }),
    'studies.take': () => ({
      params: { id: study.id },
      body: {
        ...{ id: randomUUID(), subject: 1, site: 'thigh', testerId: settings.testerId, trial: 1 },
        ...{ value: 22, typedUnit: 'mm', typedText: '22' },
      },
    }),
    'studies.end': () => ({ params: { id: study.id }, body: { ended: false } }),
    'studies.certificate': () => ({ params: { id: study.id } }),
    'studies.practice': () => ({ params: { id: settings.testerId! } }),
    'studies.keepPractice': () => ({ params: { id: settings.testerId! }, body: { ...round } }),
    'studies.tester': () => ({ params: { id: settings.testerId! } }),
    'gym.logo': () => ({}),
    'gym.keepLogo': () => ({ file: { bytes: PNG, type: 'image/png' } }),
    'gym.removeLogo': () => ({}),
    'reports.client': () => ({ params: { id: client.id, kind: 'client' } }),
    'reports.sumByAge': () => ({ query: { equation: 'jackson-pollock-7', sex: 'female' } }),
    'gym.keepProtocol': () => ({ body: ownProtocol(), optional: ['wording'] }),
    'gym.removeProtocol': () => ({ params: { id: 'own-sample' } }),
    'exchange.imports': () => ({}),
    'exchange.known': () => ({}),
    'exchange.bring': () => ({ file: importLines('Ina Import').file }),
    'exchange.sheetKeys': () => ({}),
    'exchange.addSheetKey': () => ({ body: { id: randomUUID(), name: 'My sheet' } }),
    'exchange.removeSheetKey': () => ({ params: { id: spareKey } }),
    'exchange.sheet': () => ({ params: { key: sheetKey, as: 'csv' } }),
    'exchange.undo': () => ({ params: { id: brought.id } }),
    'exchange.everything': () => ({ params: { as: 'csv' } }),
    'exchange.client': () => ({ params: { id: client.id, as: 'json' } }),
    'backups.view': () => ({}),
    'backups.make': () => ({}),
    'backups.change': () => ({
      body: { second: '/media/stick', passphrase: 'correct horse battery' },
      optional: ['*'],
    }),
    'backups.bring': () => ({ file: { bytes: PNG, type: 'application/zip' } }),
    'backups.file': () => ({ params: { name: '2026-11-27T091500123Z-daily.zip' } }),
    'backups.tryOut': () => ({
      params: { name: '2026-11-27T091500123Z-daily.zip' },
      body: { passphrase: 'correct horse battery' },
      optional: ['*'],
    }),
    'backups.restore': () => ({
      params: { name: '2026-11-27T091500123Z-daily.zip' },
      body: { passphrase: 'correct horse battery' },
      optional: ['*'],
    }),
    'leaderboards.close': () => ({ params: { id: leaderboard } }),
    'leaderboards.reopen': () => ({ params: { id: leaderboard } }),
    'leaderboards.hang': () => ({ params: { id: leaderboard }, body: { showsFigures: true } }),
    'leaderboards.takeDown': () => ({ params: { id: leaderboard } }),
    'leaderboards.wall': () => ({ params: { key: wallKey } }),
    'reminders.view': () => ({}),
    'reminders.change': () => ({ body: reminderSettings }),
    'reminders.said': () => ({
      ...mine,
      body: { kind: 'check-in-due', of: 'check-in', dueOn: today },
    }),
    'reminders.again': () => ({ params: { id: client.id, part: randomUUID() } }),
    'reminders.feed': () => ({}),
    'reminders.endFeed': () => ({}),
    'reminders.myFeed': () => ({}),
    'reminders.subscribed': () => ({ params: { key: feedKey } }),
    'reminders.stop': () => ({ params: { key: 'of no mail' } }),
    'reminders.resume': () => ({ params: { key: 'of no mail' } }),
    'reminders.outbox': () => ({}),
    'access.me': () => ({}),
    'access.signIn': () => ({ body: { name: 'Nobody', password: 'four words in a row' } }),
    'access.signOut': () => ({}),
    // One that everybody tries first: the samples leave everything without signing in.
    'access.begin': () => ({ body: { name: 'Olive Owner', password: 'qwertyuiop' } }),
    'access.changePassword': () => ({
      body: { current: 'what nobody has', password: 'other words in a row' },
    }),
    'access.nameDevice': () => ({ body: { device: 'Front desk' } }),
    'access.view': () => ({}),
    'access.change': () => ({ body: { coachesSee: 'all' }, optional: ['*'] }),
    'access.addAccount': () => ({
      body: {
        ...{ id: randomUUID(), name: `Ash ${randomUUID()}`, role: 'assistant', personId: null },
        password: 'four words in a row',
      },
    }),
    'access.changeAccount': () => ({
      params: { id: randomUUID() },
      body: { role: 'coach', personId: settings.testerId, password: 'four words in a row' },
      optional: ['*'],
    }),
    'access.removeAccount': () => ({ params: { id: randomUUID() } }),
    'access.endSession': () => ({ params: { id: randomUUID() } }),
    'access.phones': () => ({}),
    'access.health': () => ({}),
    'access.letPhonesIn': () => ({ body: { open: true } }),
    'access.certificate': () => ({}),
    'access.offerPairing': () => ({ body: { userId: randomUUID(), device: 'A phone' } }),
    'access.pair': () => ({ body: { code: 'made-up' } }),
    'access.events': () => ({ query: { client: client.id, page: '1' } }),
    'access.seen': () => mine,
    'access.coach': () => mine,
    'access.assign': () => ({ ...mine, body: { coachId: null } }),
    'access.openCheckIns': () => ({}),
    'details.view': () => mine,
    'details.change': () => ({
      ...mine,
      body: {
        ...{ email: 'rae@example.com', phone: '+44 20 7946 0000', goal: 'to row again' },
        ...{ tags: ['remote'], sees: 'sums', seesClasses: false },
        asks: { girths: ['waist'], photos: true, feelings: ['sleep'], weekday: 6 },
      },
      optional: ['*'],
    }),
    'details.keepNote': () => ({ ...mine, body: { ...sessionNote, id: randomUUID() } }),
    'details.removeNote': () => ({ params: { id: client.id, part: sessionNote.id } }),
    'details.keepAppointment': () => ({ ...mine, body: { ...appointment, id: randomUUID() } }),
    'details.cancelAppointment': () => ({ params: { id: client.id, part: appointment.id } }),
    'sharing.preview': () => mine,
    'sharing.file': () => mine,
    'sharing.addLink': () => ({ ...mine, body: { id: randomUUID(), days: 28 } }),
    'sharing.endLink': () => ({ params: { id: client.id, part: randomUUID() } }),
    'sharing.open': () => ({ body: { key: 'made-up', birthYear: 1990 }, optional: ['birthYear'] }),
    'weeklyReports.list': () => mine,
    'weeklyReports.add': () => ({ ...mine, body: report(), optional: LEFT_OUT_OF_REPORTS }),
    'weeklyReports.decide': () => ({
      params: { id: client.id, part: sent.id },
      body: { decision: 'accept' },
    }),
    'weeklyReports.ask': () => ({
      params: { id: client.id, part: sent.id },
      body: { words: 'Was it at the navel?' },
    }),
    'my.page': () => ({}),
    'my.send': () => ({ body: report(), optional: LEFT_OUT_OF_REPORTS }),
    'my.answer': () => ({ params: { id: randomUUID() }, body: { words: 'Yes.' } }),
    'my.addPhoto': () => ({
      params: { id: randomUUID() },
      query: { ...omitId(photo()), photo: randomUUID() },
      file: { bytes: PNG, type: 'image/png' },
    }),
    'my.photo': () => ({ params: { id: picture.id } }),
    'leaderboards.list': () => ({}),
    'leaderboards.add': () => ({ body: { id: randomUUID(), ...board() } }),
    'leaderboards.view': () => ({ params: { id: leaderboard } }),
    'leaderboards.change': () => ({ params: { id: leaderboard }, body: board() }),
    'leaderboards.remove': () => ({ params: { id: randomUUID() } }),
  }
  return { samples, client, other, checkIn }
}

export type SampledApi = Api
export type Samples = Awaited<ReturnType<typeof makeSamples>>

/** The API with a record that has one of everything. */
export async function startWithSamples(): Promise<{ api: SampledApi; made: Samples }> {
  const api = await startApi()
  return { api, made: await makeSamples(api) }
}
