import { v4 as newId } from 'uuid'
import { z } from 'zod'
import {
  changeSince,
  compressionDriftsOf,
  findingsOf,
  isSkinfold,
  lastValues,
  heightOf,
  massOf,
  nextFold,
  nextGirth,
  protocolOf,
  minimalDetectableChangeOfSum,
  readingsInForce,
  resultOf,
  standardWithin,
  sheetOf,
  slotOf,
  type Finding,
  type MeasurementSetup,
  type SuggestedValue,
  type OwnProtocol,
  type Person,
  type SiteId,
  type SiteStep,
} from '#core'
import {
  checkInSchema,
  checkInViewSchema,
  checkInWithReadingsSchema,
  measurementSetupSchema,
  readingReceiptSchema,
  type CheckIn,
  type CheckInChange,
  type CheckInView,
  type CheckInWithReadings,
  type ReadingRecord,
  type Skipped,
} from '#shared/contract/check-ins'
import { siteNoteSchema, type SiteNote } from '#shared/contract/clients'
import { measurementSetupOf } from '#shared/contract/equipment'

const RETRY_MS = 1500

type NewReading = Pick<
  ReadingRecord,
  'kind' | 'site' | 'standard' | 'trial' | 'value' | 'unit' | 'typed'
>

/**
 * The check-in on the screen. Every reading goes to the browser's own store and to the server the moment it is taken;
 * whatever the server has not committed yet is sent again until it has.
 */
export const useCheckInStore = defineStore('check-in', () => {
  const api = useApi()

  // Shallow: both are replaced and never changed in place, and the core reads every reading many times for each key.
  const view = shallowRef<CheckInView>()
  const kept = shallowRef<readonly KeptReading[]>([])
  const change = ref<CheckInChange>({})
  /** Own site notes that the server has not taken yet. */
  const newSiteNotes = ref<SiteNote[]>([])
  const reachable = ref(true)
  /** Why the check-in cannot be shown. */
  const trouble = ref('')

  let sending: Promise<void> | undefined
  let retry: ReturnType<typeof setTimeout> | undefined

  const readings = computed(() => kept.value.map(({ reading }) => reading))
  const waiting = computed(() => kept.value.filter((k) => !k.stored && k.refusal === null))
  /** Choices and site notes that the server has not taken yet. */
  const altered = computed(() => Object.keys(change.value).length > 0 || newSiteNotes.value.length > 0)
  const refused = computed(() => kept.value.filter((k) => k.refusal !== null))

  const client = computed(() => view.value?.client)
  const checkIn = computed(() => view.value && { ...view.value.checkIn, readings: readings.value })
  const person = computed<Person | undefined>(() => client.value)
  const protocol = computed(() => protocolOf(view.value?.checkIn ?? { protocolId: 'seven-fold' }))
  const setup = computed<MeasurementSetup>(() => view.value?.setup ?? { skill: 'trained' })
  /** Whether tester or caliper are others than last time: both widen what a change has to exceed. */
  const changedSetup = computed(() => setupChange(view.value?.checkIn, view.value?.earlier[0]))

  /** The client's own mark of a site, in the standard in hand. */
  function siteNoteOf(site: SiteId): SiteNote | undefined {
    const standard = standardWithin(site, protocol.value.standard)
    return view.value?.siteNotes.find((m) => m.site === site && m.standard === standard)
  }

  const skipped = computed<Skipped[]>(() => view.value?.checkIn.skipped ?? [])
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
  const sheet = computed(() =>
    person.value && checkIn.value ? sheetOf(person.value, checkIn.value) : undefined,
  )
  const result = computed(() =>
    person.value && checkIn.value ? resultOf(person.value, checkIn.value) : undefined,
  )
  const changed = computed(() =>
    person.value && checkIn.value
      ? changeSince(person.value, checkIn.value, view.value!.earlier)
      : undefined,
  )

  /** What each site read last time, in the standard in hand. */
  const last = computed(() =>
    client.value ? lastValues(protocol.value, client.value.sex, view.value!.earlier) : {},
  )
  /** The latest earlier body mass, with its date. */
  const lastMass = computed(() => {
    for (const { readings: taken, measuredOn } of view.value?.earlier ?? []) {
      const massKg = massOf(taken)
      if (massKg !== undefined) return { massKg, measuredOn }
    }
    return undefined
  })

  /** Height taken in this check-in, the mean of its readings, cm. */
  const heightCm = computed(() => heightOf(readings.value))

  /** What asks for a second look so far. It never blocks. */
  const findings = computed<Finding[]>(() =>
    person.value && checkIn.value
      ? findingsOf(person.value, checkIn.value, view.value!.earlier, setup.value)
      : [],
  )
  const compressionDrifts = computed(() =>
    person.value && checkIn.value ? compressionDriftsOf(person.value, checkIn.value, setup.value) : [],
  )
  /** The smallest change in the sum so far that this hand can tell, mm. */
  const reach = computed(() =>
    person.value && checkIn.value
      ? minimalDetectableChangeOfSum(person.value, checkIn.value, setup.value, changedSetup.value)
      : undefined,
  )

  /** What would be found if this reading were taken too: for a value that is refused but may be put right. */
  function suggestionsFor(reading: NewReading): SuggestedValue[] {
    if (!person.value || !checkIn.value) return []
    const taken = [...readings.value, { ...reading, ...stamp(reading) }]
    const found = findingsOf(
      person.value,
      { ...checkIn.value, readings: taken },
      view.value!.earlier,
      setup.value,
    )
    return found.flatMap(({ suggestions }) => suggestions).filter(({ site }) => site === reading.site)
  }

  /** Takes the values that a finding suggests in place of what was typed; the typed ones stay on record. */
  function accept({ suggestions }: Pick<Finding, 'suggestions'>) {
    for (const { site, trial, value } of suggestions) {
      if (site === 'height') {
        acceptHeight(value)
        continue
      }
      const kind = site === 'mass' ? 'mass' : isSkinfold(site) ? 'skinfold' : 'girth'
      record({
        kind,
        site: site === 'mass' ? null : site,
        standard: site === 'mass' ? null : standardWithin(site, protocol.value.standard),
        trial: trial ?? 1,
        value,
        unit: kind === 'skinfold' ? 'mm' : kind === 'girth' ? 'cm' : 'kg',
        typed: String(Number(value.toFixed(3))),
      })
    }
  }

  /** Takes a height in place of every reading of it. */
  function acceptHeight(cm: number) {
    const taken = readingsInForce(readings.value).filter(({ kind }) => kind === 'height')
    for (const { trial } of taken) {
      const typed = String(Number(cm.toFixed(2)))
      record({ kind: 'height', site: null, standard: null, trial, value: cm, unit: 'cm', typed })
    }
  }

  /** Keeps the client's own mark of a site, for ever; here at once and on the server as soon as it answers. */
  function keepSiteNote(mark: SiteNote) {
    if (!view.value) return
    const others = view.value.siteNotes.filter((m) => m.site !== mark.site || m.standard !== mark.standard)
    view.value = { ...view.value, siteNotes: [...others, mark] }
    newSiteNotes.value = [...newSiteNotes.value, mark]
    void keepView()
    void send()
  }

  /** Leaves a site out with a reason, or takes it up again. */
  function skip(site: SiteId, reason: Skipped['reason'] | null) {
    const others = skipped.value.filter((s) => s.site !== site)
    updateCheckIn({ skipped: reason === null ? others : [...others, { site, reason }] })
  }

  /** Opens a check-in: first what this browser kept, then what the server has. */
  async function open(id: string) {
    reset()
    const here = await keptOf(id).catch(() => undefined)
    if (here) {
      view.value = here.view
      kept.value = here.readings
      change.value = here.change
      newSiteNotes.value = here.siteNotes ?? []
    }
    try {
      const there = await api.get(`/api/check-ins/${id}`, checkInViewSchema)
      reachable.value = true
      merge(there)
    } catch (error) {
      if (error instanceof Refused) trouble.value = error.message
      else reachable.value = false
      if (!view.value && !trouble.value) trouble.value = (error as Error).message
    }
    void send()
    if (!trouble.value) follow(id)
  }

  let following: EventSource | undefined

  /** Follows the check-in live: what another screen types arrives here too. */
  function follow(id: string) {
    following = new EventSource(`/api/check-ins/${id}/live`)
    following.onmessage = ({ data }) => {
      const heard = checkInWithReadingsSchema.safeParse(JSON.parse(data as string))
      if (!heard.success || view.value?.checkIn.id !== heard.data.id) return
      const wasAway = !reachable.value
      reachable.value = true
      mergeCheckIn(heard.data)
      if (wasAway) void send()
    }
  }

  function merge(there: CheckInView) {
    view.value = { ...there, siteNotes: withNewMarks(there.siteNotes) }
    mergeCheckIn(there.checkIn)
  }

  function withNewMarks(siteNotes: SiteNote[]): SiteNote[] {
    const mine = newSiteNotes.value
    const replaced = (m: SiteNote) => mine.some((n) => n.site === m.site && n.standard === m.standard)
    return [...siteNotes.filter((m) => !replaced(m)), ...mine]
  }

  function mergeCheckIn(there: CheckInWithReadings) {
    const known = new Set(there.readings.map(({ id }) => id))
    const stored = there.readings.map((reading) => ({
      reading,
      stored: true,
      refusal: null,
    }))
    const mine = kept.value
      .filter(({ reading }) => !known.has(reading.id))
      .map((k) => ({ ...k, stored: false }))
    const before = kept.value
    kept.value = [...stored, ...mine]
    view.value = { ...view.value!, checkIn: newerOf(view.value!.checkIn, there) }
    if (there.closedAt === null) putAway(before)
  }

  /** What was heard, unless it was read before a choice that is known here was stored. */
  function newerOf(here: CheckInWithReadings, there: CheckInWithReadings): CheckInWithReadings {
    if (there.revision >= here.revision) return { ...there, ...change.value }
    return { ...here, readings: there.readings, closedAt: there.closedAt }
  }

  /** Keeps what is not kept yet: every reading typed comes back from the server once, and is here already. */
  function putAway(before: readonly KeptReading[]) {
    void keepView()
    kept.value.forEach((k, order) => {
      const old = before[order]
      const same = old?.reading.id === k.reading.id && old.stored === k.stored
      if (!same || old.refusal !== k.refusal) keepReading(k, order).catch(() => {})
    })
  }

  async function keepView() {
    // A browser without its own store (some private windows) still has the server.
    if (view.value) await keepCheckIn(view.value, change.value, newSiteNotes.value).catch(() => {})
  }

  /** Id, time and what a new reading supersedes. One that the server refused is not on record to be superseded. */
  function stamp(reading: NewReading) {
    const slot = slotOf(reading)
    const onRecord = kept.value.filter((k) => k.refusal === null).map((k) => k.reading)
    const before = readingsInForce(onRecord).find((r) => slotOf(r) === slot)
    return {
      id: newId(),
      checkInId: view.value!.checkIn.id,
      takenAt: new Date().toISOString(),
      supersedes: before?.id ?? null,
    }
  }

  /** Takes a reading into the box it belongs to; one that is there already is superseded, never overwritten. */
  function record(reading: NewReading) {
    if (!view.value) return
    const entry: KeptReading = {
      reading: { ...reading, ...stamp(reading) },
      stored: false,
      refusal: null,
    }
    kept.value = [...kept.value, entry]
    keepReading(entry, kept.value.length - 1).catch(() => {})
    // The next site is on the screen before the server's answer asks for the screen's time.
    afterPaint(() => void send())
  }

  const changesSetup = (what: CheckInChange) =>
    'testerId' in what || 'caliperId' in what || 'tapeId' in what

  /** Another tester or instrument is another error: asks the server for what it knows of them. */
  async function refreshSetup(id: string) {
    const setup = await api.get(`/api/check-ins/${id}/measurement-error`, measurementSetupSchema)
    if (view.value?.checkIn.id === id) view.value = { ...view.value, setup }
  }

  /** Changes protocol or conversion, here at once and on the server as soon as it answers. */
  function updateCheckIn(what: CheckInChange) {
    if (!view.value) return
    change.value = { ...change.value, ...what }
    const checkIn = { ...view.value.checkIn, ...what }
    // The new tester's own duplicates come with the server's answer; the rest is known here.
    const setup = changesSetup(what) ? measurementSetupOf(view.value.gym, checkIn) : view.value.setup
    view.value = { ...view.value, checkIn, setup }
    void keepView()
    void send()
  }

  /** Chooses another set; its definition goes with it where it is one of the coach's own. */
  function choose(protocolId: string, own: OwnProtocol | null) {
    if (!view.value) return
    view.value = { ...view.value, checkIn: { ...view.value.checkIn, ownProtocol: own } }
    updateCheckIn({ protocolId })
  }

  /** Sends what waits, one sending at a time: who asks meanwhile waits for the one under way. */
  function send(): Promise<void> {
    sending ??= sendAll().finally(() => (sending = undefined))
    return sending
  }

  async function sendAll() {
    if (!view.value) return
    clearTimeout(retry)
    const id = view.value.checkIn.id
    try {
      while (view.value?.checkIn.id === id && (waiting.value.length || altered.value)) {
        if (Object.keys(change.value).length > 0) {
          const what = change.value
          const stored: CheckIn = await api.patch(`/api/check-ins/${id}`, checkInSchema, what)
          const { revision } = stored
          view.value = { ...view.value, checkIn: { ...view.value.checkIn, revision } }
          if (change.value === what) change.value = {}
          if (changesSetup(what)) await refreshSetup(id)
          void keepView()
        }
        if (newSiteNotes.value.length) await sendMark(newSiteNotes.value[0]!)
        if (waiting.value.length) await sendReadings(id)
        reachable.value = true
      }
    } catch (error) {
      if (error instanceof Refused) {
        trouble.value = error.message
      } else {
        reachable.value = false
        retry = setTimeout(() => void send(), RETRY_MS)
      }
    }
  }

  async function sendMark(mark: SiteNote) {
    await api.post(`/api/clients/${client.value!.id}/site-notes`, z.array(siteNoteSchema), mark)
    newSiteNotes.value = newSiteNotes.value.filter((m) => m !== mark)
    void keepView()
  }

  async function sendReadings(id: string) {
    const batch = waiting.value.map(({ reading }) => reading)
    const receipt = await api.post(`/api/check-ins/${id}/readings`, readingReceiptSchema, {
      readings: batch,
    })
    const stored = new Set(receipt.stored)
    const refusals = new Map(receipt.refused.map((r) => [r.id, r.message]))
    kept.value = kept.value.map((k, order) => {
      const refusal = refusals.get(k.reading.id) ?? null
      if (!stored.has(k.reading.id) && refusal === null) return k
      const answered = { ...k, stored: stored.has(k.reading.id), refusal }
      keepReading(answered, order).catch(() => {})
      return answered
    })
  }

  /** Closes the check-in once the server has every reading; only then does the browser forget its copy. */
  async function close() {
    const id = view.value!.checkIn.id
    await send()
    if (waiting.value.length) throw new Unreachable()
    await api.post(`/api/check-ins/${id}/close`, checkInSchema)
    await forget(id).catch(() => {})
  }

  function reset() {
    clearTimeout(retry)
    following?.close()
    view.value = undefined
    kept.value = []
    change.value = {}
    newSiteNotes.value = []
    trouble.value = ''
    reachable.value = true
  }

  return {
    ...{ view, client, checkIn, person, protocol, readings, last, lastMass },
    ...{ next, nextTape, sheet, result, changed, waiting, altered, refused, reachable, trouble },
    ...{ skipped, findings, compressionDrifts, reach, setup, changedSetup, heightCm },
    ...{ siteNoteOf, keepSiteNote },
    ...{ open, record, updateCheckIn, choose, accept, suggestionsFor, skip, close, send, reset },
  }
})
