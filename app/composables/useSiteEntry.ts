import {
  agree,
  attempt,
  formatLength,
  inputError,
  isSkinfold,
  limitsOf,
  nameOf,
  parseFold,
  parseGirth,
  plausibility,
  readingsInForce,
  rulesOf,
  schoolOfSite,
  trialsOf,
  type LengthUnit,
  type SiteId,
  type SiteStep,
} from '#core'

export type SiteKind = 'folds' | 'tape'

/** A typed fold (mm) or girth (cm, or inches where the coach thinks so). */
function read(site: SiteId, text: string, unit: LengthUnit) {
  return attempt(() =>
    isSkinfold(site)
      ? parseFold(text, site, nameOf(site))
      : parseGirth(text, unit, site, nameOf(site)),
  )
}

/**
 * The behaviour of the reading field: which box is open, what Enter and Backspace do, and the words beside it. The box
 * follows the rotation unless the coach went to another one.
 */
export function useSiteEntry(kind: SiteKind) {
  const store = useCheckInStore()
  const { next, nextTape, protocol, readings } = storeToRefs(store)
  const unit = useLengthUnit()

  const text = ref('')
  const problem = ref('')
  const chosen = ref<SiteStep>()

  const step = computed(() => chosen.value ?? (kind === 'folds' ? next.value : nextTape.value))
  const trials = computed(() =>
    step.value ? trialsOf(readings.value, step.value.site, protocol.value) : [],
  )
  /** What the open box holds already. */
  const before = computed(() => (step.value ? trials.value[step.value.pass - 1] : undefined))

  /** Why one more trial is asked for, or undefined. */
  const apart = computed(() => {
    const [a, b] = trials.value
    if (!step.value || a === undefined || b === undefined) return undefined
    const { passes, tolerance } = rulesOf(protocol.value, step.value.site)
    if (step.value.pass <= passes || agree(a, b, tolerance)) return undefined
    return Math.abs(a - b)
  })

  function openBox(box: SiteStep | undefined) {
    chosen.value = box
    text.value = ''
    problem.value = ''
  }

  /** Enter: takes the number, or says what is wrong and keeps it on the screen. Empty keeps what was there. */
  function enter() {
    if (!step.value) return
    const { site, pass } = step.value
    if (text.value.trim() === '' && before.value !== undefined) return openBox(undefined)
    const parsed = read(site, text.value, unit.value)
    if (!parsed.ok) {
      problem.value = parsed.error.message
      return
    }
    const { value, unit: typedUnit, text: typed } = parsed.value
    if (plausibility(site, value, store.client!.sex) === 'impossible') {
      const { hardLow, hardHigh } = limitsOf(site)
      const accepted = isSkinfold(site)
        ? `${hardLow} to ${hardHigh} mm`
        : `${formatLength(hardLow, unit.value)} to ${formatLength(hardHigh, unit.value)}`
      problem.value = inputError(site, 'impossible', nameOf(site), typed, accepted).message
      return
    }
    store.record({
      kind: isSkinfold(site) ? 'skinfold' : 'girth',
      site,
      school: isSkinfold(site) ? schoolOfSite(protocol.value, site) : null,
      pass,
      value,
      unit: typedUnit,
      typed,
    })
    openBox(undefined)
  }

  /** Backspace in an empty field: back to the reading taken before the open box. */
  function back() {
    const wanted = kind === 'folds' ? 'skinfold' : 'girth'
    const taken = readingsInForce(readings.value).filter((r) => r.kind === wanted)
    const at = taken.findIndex((r) => r.site === step.value?.site && r.pass === step.value.pass)
    const previous = at === -1 ? taken.at(-1) : taken[at - 1]
    if (previous?.site) openBox({ site: previous.site, pass: previous.pass })
  }

  return { text, problem, step, trials, before, apart, enter, back, openBox }
}
