import {
  agree,
  attempt,
  inputError,
  limitsOf,
  nameOf,
  parseFold,
  plausibility,
  readingsInForce,
  trialsOf,
  type FoldStep,
} from '#core'

/**
 * The behaviour of the fold field: which box is open, what Enter and Backspace do, and the words beside it. The box
 * follows the rotation unless the coach went to another one.
 */
export function useFoldEntry() {
  const store = useCheckInStore()
  const { next, protocol, readings } = storeToRefs(store)

  const text = ref('')
  const problem = ref('')
  const chosen = ref<FoldStep>()

  const step = computed(() => chosen.value ?? next.value)
  const trials = computed(() =>
    step.value ? trialsOf(readings.value, step.value.site, protocol.value) : [],
  )
  /** What the open box holds already. */
  const before = computed(() => (step.value ? trials.value[step.value.pass - 1] : undefined))

  /** Why a third trial is asked for, or undefined. */
  const apart = computed(() => {
    const [a, b] = trials.value
    if (!step.value || step.value.pass <= protocol.value.passes) return undefined
    if (a === undefined || b === undefined || agree(a, b, protocol.value.tolerance))
      return undefined
    return Math.abs(a - b)
  })

  function openBox(box: FoldStep | undefined) {
    chosen.value = box
    text.value = ''
    problem.value = ''
  }

  /** Enter: takes the number, or says what is wrong and keeps it on the screen. Empty keeps what was there. */
  function enter() {
    if (!step.value) return
    const { site, pass } = step.value
    if (text.value.trim() === '' && before.value !== undefined) return openBox(undefined)
    const parsed = attempt(() => parseFold(text.value, site, nameOf(site)))
    if (!parsed.ok) {
      problem.value = parsed.error.message
      return
    }
    const { value, unit, text: typed } = parsed.value
    if (plausibility(site, value, store.client!.sex) === 'impossible') {
      const { hardLow, hardHigh } = limitsOf(site)
      problem.value = inputError(
        site,
        'impossible',
        nameOf(site),
        typed,
        `${hardLow} to ${hardHigh} mm`,
      ).message
      return
    }
    store.record({
      kind: 'skinfold',
      site,
      school: protocol.value.school,
      pass,
      value,
      unit,
      typed,
    })
    openBox(undefined)
  }

  /** Backspace in an empty field: back to the reading taken before the open box. */
  function back() {
    const taken = readingsInForce(readings.value).filter((r) => r.kind === 'skinfold')
    const at = taken.findIndex((r) => r.site === step.value?.site && r.pass === step.value.pass)
    const previous = at === -1 ? taken.at(-1) : taken[at - 1]
    if (previous?.site) openBox({ site: previous.site, pass: previous.pass } as FoldStep)
  }

  return { text, problem, step, trials, before, apart, enter, back, openBox }
}
