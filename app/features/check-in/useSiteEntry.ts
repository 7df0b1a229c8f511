import {
  isSkinfold,
  readingsInForce,
  schemeOf,
  thrownAwayIn,
  trialsApart,
  trialsOf,
  wantsAnotherTrial,
  type SuggestedValue,
  type SiteId,
  type SiteStep,
  isBone,
} from '#core'
import type { Skipped } from '#shared/contract/check-ins'
import type { SkipReason } from '#shared/contract/choices'

/** A stage in which sites are read. */
export type SiteKind = 'folds' | 'tape' | 'bones'

/** What a set calls the sites of a stage. */
export const SITES_OF_STAGE = { folds: 'folds', tape: 'girths', bones: 'bones' } as const

/** The stage in which a site is read. */
export const stageOfSite = (site: SiteId): SiteKind =>
  isSkinfold(site) ? 'folds' : isBone(site) ? 'bones' : 'tape'

/**
 * The behaviour of the reading field: which box is open, what Enter and Backspace do, and the words beside it. The box
 * follows the rotation unless the coach went to another one.
 *
 * @param show how a value of a site is read
 */
export function useSiteEntry(kind: SiteKind, show: (value: number) => string) {
  const store = useCheckInStore()
  const { next, nextTape, nextBones, protocol, readings, findings } = storeToRefs(store)
  const unit = useLengthUnit()
  const { take } = useTakeReading()
  const { say } = useVoice()

  const text = ref('')
  const problem = ref('')
  const chosen = ref<SiteStep>()
  /** The site of the reading that was just taken: what is found about it shows beside the next one. */
  const taken = ref<SiteId>()
  /** The value that was likely meant by one that is refused. */
  const meant = ref<SuggestedValue>()

  const following = { folds: next, tape: nextTape, bones: nextBones }[kind]
  const step = computed(() => chosen.value ?? following.value)
  const trials = computed(() =>
    step.value ? trialsOf(readings.value, step.value.site, protocol.value) : [],
  )
  /** What the open box holds already. */
  const before = computed(() => {
    if (!step.value) return undefined
    const { site, trial } = step.value
    return trial === 0
      ? thrownAwayIn(readingsInForce(readings.value), site, protocol.value)
      : trials.value[trial - 1]
  })

  /** Why one more trial is asked for, or undefined. */
  const apart = computed(() => {
    if (!step.value) return undefined
    const scheme = schemeOf(protocol.value, step.value.site)
    return step.value.trial > scheme.count ? trialsApart(trials.value, scheme) : undefined
  })

  /** What is found about the reading just taken, in one line. */
  const finding = computed(() =>
    findings.value.find(
      ({ kind: of, sites: [site], sites }) =>
        taken.value !== undefined &&
        sites.includes(taken.value) &&
        // While the set itself asks for one more, nothing else has to be said.
        !(of === 'apart' && site && wantsMore(site)),
    ),
  )
  const wantsMore = (site: SiteId | 'mass' | 'height') =>
    site !== 'mass' &&
    site !== 'height' &&
    wantsAnotherTrial(
      trialsOf(readings.value, site, protocol.value),
      schemeOf(protocol.value, site),
    )

  function openBox(box: SiteStep | undefined) {
    chosen.value = box
    text.value = ''
    problem.value = ''
    meant.value = undefined
  }
  useHalfTypedReading(
    kind,
    text,
    () => step.value,
    () => protocol.value[SITES_OF_STAGE[kind]][store.client!.sex],
    openBox,
  )

  /** What was likely meant, of a value refused or of one already taken. */
  const offered = computed(() => (meant.value ? [meant.value] : (finding.value?.suggestions ?? [])))

  const offer = computed(() => offered.value.map(({ value }) => show(value)).join(' and '))
  /** Another value of one reading that fits as well, where there is one. */
  const other = computed(() => {
    const second = offered.value[0]?.second
    return second === undefined ? undefined : show(second)
  })

  /** A: takes what is offered. O: the other value of one reading, where two fit. */
  function accept(which: 'value' | 'second' = 'value') {
    const suggestions = offered.value.flatMap((one) => {
      const value = one[which]
      return value === undefined ? [] : [{ ...one, value }]
    })
    if (suggestions.length === 0) return
    store.accept({ suggestions })
    taken.value = undefined
    if (meant.value) openBox(undefined)
  }

  /** R: back to the box that is asked about. */
  function again() {
    const site = finding.value?.sites[0]
    if (!site || site === 'mass' || site === 'height') return
    const { suggestions, readings: asked = [] } = finding.value!
    const trial = [...suggestions, ...asked].find((of) => of.site === site)?.trial
    const last = trialsOf(readings.value, site, protocol.value).length
    openBox({ site, trial: trial ?? last })
  }

  /** The site that was skipped last, until something is taken after it. */
  const skipped = ref<Skipped>()

  /** Leaves the open site out. */
  function skip(reason: SkipReason) {
    if (!step.value) return
    const { site } = step.value
    store.skip(site, reason)
    skipped.value = { site, reason }
    openBox(undefined)
  }

  /**
   * U: takes the last thing back. A site that was skipped is asked for again, a correction gives way to what it replaced,
   * and a first value is asked for again.
   */
  function undo() {
    if (skipped.value) {
      const { site } = skipped.value
      skipped.value = undefined
      store.skip(site, null)
      openBox(undefined)
      return
    }
    const mine = readings.value.filter(({ site }) => site !== null && stageOfSite(site) === kind)
    const last = mine.at(-1)
    if (!last?.site) return
    const replaced = readings.value.find(({ id }) => id === last.supersedes)
    taken.value = undefined
    if (replaced) store.record({ ...replaced })
    else openBox({ site: last.site, trial: last.trial })
  }

  /** Enter: takes the number, or says what is wrong and keeps it on the screen. Empty keeps what was there. */
  function enter() {
    if (!step.value) return
    const { site, trial } = step.value
    if (text.value.trim() === '' && before.value !== undefined) return openBox(undefined)
    const taking = take({ site, trial }, text.value, typedBy())
    if (!taking.ok) {
      problem.value = taking.problem
      meant.value = taking.meant
      return
    }
    say(isSkinfold(site) ? formatFold(taking.value) : lengthText(taking.value, unit.value))
    taken.value = site
    skipped.value = undefined
    openBox(undefined)
  }

  /* What a caliper or tape has typed stands in the field while its jaws may still move. */
  const { typedBy, ...instrument } = useInstrumentOfSite(text, () => step.value)

  /** Backspace in an empty field: back to the reading taken before the open box. */
  function back() {
    const inForce = readingsInForce(readings.value).filter(
      ({ site }) => site !== null && stageOfSite(site) === kind,
    )
    const at = inForce.findIndex((r) => r.site === step.value?.site && r.trial === step.value.trial)
    const previous = at === -1 ? inForce.at(-1) : inForce[at - 1]
    if (previous?.site) openBox({ site: previous.site, trial: previous.trial })
  }

  return {
    ...{ text, problem, meant, step, trials, before, apart, finding, offer, other, skipped },
    ...{ enter, back, openBox, accept, again, undo, skip, instrument },
  }
}
