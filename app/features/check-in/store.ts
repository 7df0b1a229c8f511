import { v4 as newId } from 'uuid'
import {
  comparedWith,
  compressionDriftsOf,
  findingsOf,
  heightOf,
  usualMassUnlike,
  lastValues,
  massOf,
  measuredOf,
  minimalDetectableChangeOfSum,
  nextFold,
  nextGirth,
  protocolOf,
  readingsInForce,
  resultOf,
  setupChange,
  sheetOf,
  standardWithin,
  techniqueOf,
  USUAL_SETUP,
  type Finding,
  type JudgedWith,
  type MeasurementSetup,
  type Person,
  type SiteId,
  type SiteStep,
  type SuggestedValue,
  nextBone,
} from '#core'
import type { CheckInChange, NewReading, Skipped } from '#shared/contract/check-ins'
import type { SiteNote } from '#shared/contract/clients'
import { checkIns } from '#shared/contract/routes/check-ins'
import { followCheckIn } from './live'
import { theOutbox } from './log'
import { forgetView, keepView, keptView } from './offline-store'
import { readingOp, withOperations, withSiteNotes, type Operation } from './operations'
import { meantReading, stampReading, type LocatedReading, type TypedReading } from './stamp'
import { createSession } from './session'

/** This window, so that what it changes twice is no collision with itself. */
const WINDOW = newId()

/**
 * The check-in on the screen: what the server has, with what waits in the outbox put on, and everything that the core
 * computes from it. Every reading goes to the browser's own store and to the server the moment it is taken.
 */
export const useCheckInStore = defineStore('check-in', () => {
  const outbox = theOutbox()
  const session = createSession(
    {
      fetchView: (id) => callApi(checkIns.view, { params: { id } }),
      ...{ keepView, keptView, forgetView, follow: followCheckIn },
    },
    outbox,
  )
  const { view: stored, trouble } = session
  const { reachable, waitsFor, unkept } = outbox

  const mine = computed(() =>
    stored.value ? outbox.operations.value.filter(ofThis(stored.value.checkIn.id)) : [],
  )
  const pretended = shallowRef<Operation>()
  const waiting = computed(() => {
    const all = mine.value.filter(({ setAside }) => setAside === null)
    return pretended.value ? [...all, pretended.value] : all
  })
  const waitingReadings = computed(() => waiting.value.filter(({ kind }) => kind === 'reading'))
  /** Readings that outlive the page, until the server has them. */
  const keptReadings = computed(() =>
    waitingReadings.value.filter(({ id }) => !outbox.inWriting.has(id)),
  )
  /** What the server refused, one by one, with its words. */
  const setAside = computed(() => mine.value.filter((o) => o.setAside !== null))

  const view = computed(
    () =>
      stored.value && {
        ...stored.value,
        checkIn: withOperations(stored.value.checkIn, waiting.value, stored.value.gym.ownProtocols),
        siteNotes: withSiteNotes(stored.value.siteNotes, waiting.value),
      },
  )
  const checkIn = computed(() => view.value?.checkIn)
  const readings = computed(() => checkIn.value?.readings ?? [])
  const client = computed(() => view.value?.client)
  const person = computed<Person | undefined>(() => client.value)
  const protocol = computed(() => protocolOf(checkIn.value ?? { protocolId: 'seven-fold' }))

  /** What this check-in and those before it are judged with. */
  const judgedWith = computed<JudgedWith>(() => {
    const { gym, ownErrors, weighIns } = view.value!
    return { testers: gym.testers, instruments: gym.instruments, ownErrors, weighIns }
  })
  const earlier = computed(() =>
    (stored.value?.earlier ?? []).map((c) => measuredOf(c, judgedWith.value)),
  )
  const measured = computed(() => checkIn.value && measuredOf(checkIn.value, judgedWith.value))
  const setup = computed<MeasurementSetup>(() => measured.value?.setup ?? USUAL_SETUP)
  /** The check-in that this one is compared with, wherever nobody chose another. */
  const previous = computed(
    () => measured.value && comparedWith(client.value!, measured.value, earlier.value),
  )
  /** Whether tester or caliper are others than last time: both widen what a change has to exceed. */
  const changedSetup = computed(() => {
    const [last] = earlier.value
    return last && measured.value
      ? setupChange(last, measured.value)
      : { anotherTester: false, anotherCaliper: false }
  })

  /** The client's own mark of a site, by the landmark standard in hand. */
  function siteNoteOf(site: SiteId): SiteNote | undefined {
    const standard = standardWithin(site, protocol.value.standard)
    return view.value?.siteNotes.find((n) => n.site === site && n.standard === standard)
  }

  const skipped = computed<Skipped[]>(() => checkIn.value?.skipped ?? [])
  const skippedSites = computed<ReadonlySet<string>>(
    () => new Set(skipped.value.map(({ site }) => site)),
  )

  /** The next fold to take, or undefined when the folds are complete. */
  const next = computed<SiteStep | undefined>(
    () =>
      client.value &&
      nextFold(protocol.value, client.value.sex, readings.value, skippedSites.value),
  )
  const nextTape = computed<SiteStep | undefined>(
    () =>
      client.value &&
      nextGirth(protocol.value, client.value.sex, readings.value, skippedSites.value),
  )
  const nextBones = computed<SiteStep | undefined>(
    () =>
      client.value &&
      nextBone(protocol.value, client.value.sex, readings.value, skippedSites.value),
  )
  const sheet = computed(() =>
    person.value && checkIn.value ? sheetOf(person.value, checkIn.value) : undefined,
  )
  const result = computed(() =>
    person.value && checkIn.value ? resultOf(person.value, checkIn.value) : undefined,
  )

  /** What each site read last time, by the landmark standard in hand. */
  const last = computed(() =>
    client.value ? lastValues(protocol.value, client.value.sex, stored.value!.earlier) : {},
  )
  /** The latest earlier body mass, with its date. */
  const lastMass = computed(() => {
    for (const { readings: taken, measuredOn } of stored.value?.earlier ?? []) {
      const massKg = massOf(taken)
      if (massKg !== undefined) return { massKg, measuredOn }
    }
    return undefined
  })

  /** Height taken in this check-in, the mean of its readings, cm. */
  const heightCm = computed(() => heightOf(readings.value))

  /** Somebody to be measured with care: no number is said aloud. */
  const sensitive = computed(
    () =>
      client.value?.showPercentages === false ||
      !!stored.value?.screening?.answers.flags.includes('eating disorder'),
  )

  /** The units that the coach reads in. */
  const [lengthUnit, massUnit] = [useLengthUnit(), useMassUnit()]
  const units = computed(() => ({ length: lengthUnit.value, mass: massUnit.value }))
  const known = computed(() => ({ units: units.value, weighIns: stored.value?.weighIns }))

  /** What asks for a second look so far. It never blocks. */
  const findings = computed<Finding[]>(() =>
    person.value && checkIn.value
      ? findingsOf(person.value, checkIn.value, stored.value!.earlier, setup.value, known.value)
      : [],
  )
  const compressionDrifts = computed(() =>
    person.value && checkIn.value
      ? compressionDriftsOf(person.value, checkIn.value, setup.value)
      : [],
  )
  /** The smallest change in the sum so far that is more than measurement error, mm. */
  const detectable = computed(() =>
    person.value && measured.value
      ? minimalDetectableChangeOfSum(person.value, measured.value, previous.value)
      : undefined,
  )

  /** One that is taken again keeps the way it was taken in; a new one is taken as its set says. */
  function stamp(reading: TypedReading & Partial<LocatedReading>): NewReading {
    const { site, technique = site && techniqueOf(protocol.value, site) } = reading
    const made = { id: newId(), takenAt: new Date().toISOString() }
    const { instruments } = stored.value!.gym
    const typed = { ...reading, technique }
    return stampReading(typed, checkIn.value!, readings.value, made, instruments)
  }

  function put(operation: Operation): void {
    outbox.add(operation)
    // The next site is on the screen before the server's answer asks for the screen's time.
    afterPaint(() => void outbox.send(operation.checkInId))
  }

  /** Takes a reading into the box it belongs to; one that is there already is superseded, never overwritten. */
  function record(typed: TypedReading): void {
    if (checkIn.value) put(readingOp(stamp(typed)))
  }
  /** The page as if this reading were taken, until it is called without one: nothing is kept or sent. */
  function pretend(typed?: TypedReading): void {
    pretended.value = typed && checkIn.value && readingOp(stamp(typed))
  }

  /** Changes what the check-in says of itself, here at once and on the server as soon as it answers. */
  function updateCheckIn(change: Omit<CheckInChange, 'revision' | 'window'>): void {
    if (!stored.value) return
    const { id: checkInId, revision } = stored.value.checkIn
    const whole = { ...change, revision, window: WINDOW }
    put({ kind: 'change', id: newId(), checkInId, change: whole, setAside: null })
  }

  /** Chooses another protocol; its definition goes with it where it is one of the coach's own. */
  const choose = (protocolId: string) => updateCheckIn({ protocolId })

  /** Keeps the client's own mark of a site, for ever; here at once and on the server as soon as it answers. */
  function keepSiteNote(note: SiteNote): void {
    if (!checkIn.value) return
    const { id: checkInId, clientId } = checkIn.value
    put({ kind: 'site-note', id: newId(), checkInId, clientId, note, setAside: null })
  }

  /** Leaves a site out with a reason, or takes it up again. */
  function skip(site: SiteId, reason: Skipped['reason'] | null): void {
    updateCheckIn({ skips: { [site]: reason } })
  }

  /** What would be found if this reading were taken too: for a value that is refused but may be put right. */
  function suggestionsFor(reading: TypedReading): SuggestedValue[] {
    if (!person.value || !checkIn.value) return []
    const taken = { ...checkIn.value, readings: [...readings.value, stamp(reading)] }
    const found = findingsOf(person.value, taken, stored.value!.earlier, setup.value, known.value)
    return found
      .flatMap(({ suggestions }) => suggestions)
      .filter(({ site }) => site === reading.site)
  }

  /** The usual mass of the client, kg, where what a scale sent is likelier somebody else's. */
  const usualUnlike = (kg: number): number | undefined =>
    checkIn.value &&
    usualMassUnlike(kg, checkIn.value, stored.value!.earlier, stored.value!.weighIns)

  /** Takes the values that a finding suggests in place of what was typed; the typed ones stay on record. */
  function accept({ suggestions }: Pick<Finding, 'suggestions'>): void {
    for (const { site, trial, value } of suggestions) {
      if (site === 'height') {
        acceptHeight(value)
        continue
      }
      record(meantReading(site, trial ?? 1, value, protocol.value.standard))
    }
  }

  /** Takes a height in place of every reading of it. */
  function acceptHeight(cm: number): void {
    const bare = { kind: 'height' as const, site: null, standard: null, value: cm }
    for (const { kind, trial } of readingsInForce(readings.value)) {
      if (kind !== 'height') continue
      record({ ...bare, trial, typedUnit: 'cm', typedText: String(Number(cm.toFixed(2))) })
    }
  }

  /** Readings so far that another tester is said to have taken than the one chosen now. */
  const byOthers = computed(() =>
    readingsInForce(readings.value).filter(
      ({ testerId }) => testerId !== undefined && testerId !== checkIn.value!.testerId,
    ),
  )
  /** Corrects who took the readings so far: each is said anew, by the tester chosen now. */
  function creditToTester(): void {
    for (const { id: _, ...reading } of byOthers.value) record(reading as TypedReading)
  }

  /**
   * Closes the check-in once the server has everything; only then does the browser forget its copy.
   *
   * @throws Unreachable while something waits, Error while something is set aside
   */
  async function close(): Promise<void> {
    const { id } = checkIn.value!
    await outbox.send(id)
    if (outbox.waitingOf(id).length > 0) throw new Unreachable()
    const count = outbox.setAsideOf(id).length
    if (count > 0) {
      throw new Error(t('checkIn.notTakenFirst', { count }))
    }
    await callApi(checkIns.close, { params: { id } })
    await session.forget(id)
    forgetHalfTyped(id)
  }

  /** Throws away a check-in that was started by mistake. */
  async function discard(): Promise<void> {
    const { id } = checkIn.value!
    for (const operation of outbox.of(id)) outbox.drop(operation.id)
    await callApi(checkIns.discard, { params: { id } })
    await session.forget(id)
    forgetHalfTyped(id)
  }

  /** What was set aside is sent once more, on the state that is known now. */
  function mend(id: string): void {
    const { revision } = stored.value!.checkIn
    const before = outbox.operations.value.find((o) => o.id === id)
    if (before?.kind === 'reading' && before.setAside?.code === 'id-taken') {
      outbox.drop(id)
      return record(before.reading)
    }
    void outbox.mend(id, (operation) => {
      if (operation.kind === 'change') {
        return { ...operation, change: { ...operation.change, revision } }
      }
      if (operation.kind !== 'reading') return operation
      const { supersedes, repair } = stamp(operation.reading)
      const again = { ...operation.reading, supersedes, ...(repair ? { repair } : {}) }
      return { ...operation, reading: again }
    })
  }

  return {
    ...{ view, client, checkIn, person, protocol, readings, last, lastMass, measured, earlier },
    ...{
      previous,
      next,
      nextTape,
      nextBones,
      sheet,
      result,
      waiting,
      waitingReadings,
      setAside,
      byOthers,
    },
    ...{ keptReadings, reachable, waitsFor, unkept, trouble, skipped, findings, detectable, setup },
    ...{ compressionDrifts, changedSetup, heightCm, sensitive, siteNoteOf, keepSiteNote },
    ...{ open: session.open, leave: session.leave, drop: outbox.drop },
    ...{ record, pretend, updateCheckIn, choose, accept, suggestionsFor, skip, creditToTester },
    ...{ usualUnlike },
    ...{ close, discard, mend },
  }
})

const ofThis =
  (checkInId: string) =>
  (operation: Operation): boolean =>
    operation.checkInId === checkInId
