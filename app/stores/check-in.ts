import { v4 as newId } from 'uuid'
import {
  changeSince,
  creepsOf,
  findingsOf,
  isSkinfold,
  lastValues,
  massOf,
  nextFold,
  nextGirth,
  protocolById,
  reachOf,
  readingsInForce,
  resultOf,
  schoolOfSite,
  sheetOf,
  slotOf,
  USUAL_HAND,
  type Finding,
  type Offer,
  type Person,
  type SiteId,
  type SiteStep,
  type SkinfoldId,
} from '#core'
import {
  checkInSchema,
  checkInViewSchema,
  readingReceiptSchema,
  type CheckInChange,
  type CheckInView,
  type ReadingRecord,
  type Skipped,
} from '#shared/check-ins'

const RETRY_MS = 1500

type NewReading = Pick<
  ReadingRecord,
  'kind' | 'site' | 'school' | 'pass' | 'value' | 'unit' | 'typed'
>

/**
 * The check-in on the screen. Every reading goes to the browser's own store and to the server the moment it is taken;
 * whatever the server has not committed yet is sent again until it has.
 */
export const useCheckInStore = defineStore('check-in', () => {
  const api = useApi()

  const view = ref<CheckInView>()
  const kept = ref<KeptReading[]>([])
  const change = ref<CheckInChange>({})
  const reachable = ref(true)
  /** Why the check-in cannot be shown. */
  const trouble = ref('')

  let sending = false
  let retry: ReturnType<typeof setTimeout> | undefined

  const readings = computed(() => kept.value.map(({ reading }) => reading))
  const waiting = computed(() => kept.value.filter((k) => !k.stored && k.refusal === null))
  const refused = computed(() => kept.value.filter((k) => k.refusal !== null))

  const client = computed(() => view.value?.client)
  const checkIn = computed(() => view.value && { ...view.value.checkIn, readings: readings.value })
  const person = computed<Person | undefined>(() => client.value)
  const protocol = computed(() => protocolById(view.value?.checkIn.protocolId ?? 'seven-fold'))

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

  /** What each site read last time, in the school in hand. */
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

  /** What asks for a second look so far. It never blocks. */
  const findings = computed<Finding[]>(() =>
    person.value && checkIn.value
      ? findingsOf(person.value, checkIn.value, view.value!.earlier, USUAL_HAND)
      : [],
  )
  const creeps = computed(() =>
    person.value && checkIn.value ? creepsOf(person.value, checkIn.value, USUAL_HAND) : [],
  )
  /** The smallest change in the sum so far that this hand can tell, mm. */
  const reach = computed(() =>
    person.value && checkIn.value ? reachOf(person.value, checkIn.value, USUAL_HAND) : undefined,
  )

  /** What would be found if this reading were taken too: for a value that is refused but may be put right. */
  function offersFor(reading: NewReading): Offer[] {
    if (!person.value || !checkIn.value) return []
    const taken = [...readings.value, { ...reading, ...stamp(reading) }]
    const found = findingsOf(
      person.value,
      { ...checkIn.value, readings: taken },
      view.value!.earlier,
      USUAL_HAND,
    )
    return found.flatMap(({ offers }) => offers).filter(({ site }) => site === reading.site)
  }

  /** Takes the values that a finding offers in place of what was typed; the typed ones stay on record. */
  function accept({ offers }: Pick<Finding, 'offers'>) {
    for (const { site, trial, value } of offers) {
      if (site === 'height') continue
      const kind = site === 'mass' ? 'mass' : isSkinfold(site) ? 'skinfold' : 'girth'
      record({
        kind,
        site: site === 'mass' ? null : site,
        school: kind === 'skinfold' ? schoolOfSite(protocol.value, site as SkinfoldId) : null,
        pass: trial ?? 1,
        value,
        unit: kind === 'skinfold' ? 'mm' : kind === 'girth' ? 'cm' : 'kg',
        typed: String(Number(value.toFixed(3))),
      })
    }
  }

  /** Leaves a site out with a reason, or takes it up again. */
  function skip(site: SiteId, reason: Skipped['reason'] | null) {
    const others = skipped.value.filter((s) => s.site !== site)
    alter({ skipped: reason === null ? others : [...others, { site, reason }] })
  }

  /** Opens a check-in: first what this browser kept, then what the server has. */
  async function open(id: string) {
    reset()
    const here = await keptOf(id).catch(() => undefined)
    if (here) {
      view.value = here.view
      kept.value = here.readings
      change.value = here.change
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
  }

  function merge(there: CheckInView) {
    const known = new Set(there.checkIn.readings.map(({ id }) => id))
    const stored = there.checkIn.readings.map((reading) => ({
      reading,
      stored: true,
      refusal: null,
    }))
    const mine = kept.value
      .filter(({ reading }) => !known.has(reading.id))
      .map((k) => ({ ...k, stored: false }))
    kept.value = [...stored, ...mine]
    view.value = { ...there, checkIn: { ...there.checkIn, ...change.value } }
    if (there.checkIn.closedAt === null) putAway()
  }

  function putAway() {
    if (!view.value) return
    // A browser without its own store (some private windows) still has the server.
    keepCheckIn(view.value, change.value).catch(() => {})
    kept.value.forEach((k, order) => keepReading(k, order).catch(() => {}))
  }

  /** Id, time and what a new reading supersedes. */
  function stamp(reading: NewReading) {
    const slot = slotOf(reading)
    const before = readingsInForce(readings.value).find((r) => slotOf(r) === slot)
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
    kept.value.push(entry)
    keepReading(entry, kept.value.length - 1).catch(() => {})
    void send()
  }

  /** Changes protocol or conversion, here at once and on the server as soon as it answers. */
  function alter(what: CheckInChange) {
    if (!view.value) return
    change.value = { ...change.value, ...what }
    view.value = { ...view.value, checkIn: { ...view.value.checkIn, ...what } }
    keepCheckIn(view.value, change.value).catch(() => {})
    void send()
  }

  async function send() {
    if (sending || !view.value) return
    sending = true
    clearTimeout(retry)
    const id = view.value.checkIn.id
    try {
      while (view.value?.checkIn.id === id && (waiting.value.length || hasChange())) {
        if (hasChange()) {
          const what = change.value
          await api.patch(`/api/check-ins/${id}`, checkInSchema, what)
          if (change.value === what) change.value = {}
          void keepCheckIn(view.value, change.value).catch(() => {})
        }
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
    } finally {
      sending = false
    }
  }

  function hasChange() {
    return Object.keys(change.value).length > 0
  }

  async function sendReadings(id: string) {
    const batch = waiting.value.map(({ reading }) => reading)
    const receipt = await api.post(`/api/check-ins/${id}/readings`, readingReceiptSchema, {
      readings: batch,
    })
    const stored = new Set(receipt.stored)
    const refusals = new Map(receipt.refused.map((r) => [r.id, r.message]))
    kept.value.forEach((k, order) => {
      const refusal = refusals.get(k.reading.id) ?? null
      if (!stored.has(k.reading.id) && refusal === null) return
      k.stored = stored.has(k.reading.id)
      k.refusal = refusal
      keepReading(k, order).catch(() => {})
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
    view.value = undefined
    kept.value = []
    change.value = {}
    trouble.value = ''
    reachable.value = true
  }

  return {
    ...{ view, client, checkIn, person, protocol, readings, last, lastMass },
    ...{ next, nextTape, sheet, result, changed, waiting, refused, reachable, trouble },
    ...{ skipped, findings, creeps, reach },
    ...{ open, record, alter, accept, offersFor, skip, close, send, reset },
  }
})
