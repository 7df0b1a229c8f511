import {
  ageOf,
  candidateOf,
  checkOverdue,
  isOutOfTolerance,
  isScreeningOld,
  leastAgeOf,
  recommend,
  type Instrument,
} from '#core'

/** What the recommender says of the check-in in hand, and what stands out about its people and instruments. */
export function useAdvice() {
  const { view, changedSetup } = storeToRefs(useCheckInStore())

  const candidate = computed(() => {
    const { client, checkIn, screening, earlier } = view.value!
    const instruments: Instrument[] = [
      ...(checkIn.caliperId ? (['caliper'] as const) : []),
      ...(checkIn.tapeId ? (['tape'] as const) : []),
      ...(checkIn.scaleId ? (['scale'] as const) : []),
      ...(client.heightCm === null ? [] : (['height'] as const)),
    ]
    const [last] = earlier
    return candidateOf(
      {
        sex: client.sex,
        ageYears: ageOf(client, checkIn.measuredOn),
        leastAgeYears: leastAgeOf(client, checkIn.measuredOn),
      },
      screening?.answers,
      instruments,
      last && {
        protocolId: last.protocolId,
        anotherTester: changedSetup.value.anotherTester,
      },
    )
  })
  const recommendation = computed(() => recommend(candidate.value))

  /** The set to take: the coach's own where it was taken last time, else the first that is recommended. */
  const advised = computed(() => {
    const [first] = recommendation.value.advice
    const { earlier, gym } = view.value!
    const own = gym.ownProtocols.find(({ id }) => id === earlier[0]?.protocolId)
    if (first && own) {
      const reason = t('checkIn.sameAsLastTimeSo')
      return { id: own.id, name: own.name, reason }
    }
    return first && { id: first.protocol.id, name: first.protocol.name, reason: first.reason }
  })

  /** Why the set in hand is not the one to take, or undefined. */
  const against = computed(
    () =>
      recommendation.value.not.find(
        ({ protocol }) => protocol.id === view.value!.checkIn.protocolId,
      )?.reason,
  )

  const screeningOld = computed(() => {
    const { screening, checkIn } = view.value!
    return screening !== null && isScreeningOld(screening.reviewedOn, checkIn.measuredOn)
  })

  const instrumentOf = (id: string | null) => view.value!.gym.instruments.find((i) => i.id === id)

  /** What is wrong with an instrument's check, or null. */
  function overdue(id: string | null): string | null {
    const instrument = instrumentOf(id)
    if (!instrument) return null
    const { checks, checkEveryDays } = instrument
    const why = checkOverdue(
      checks[0]?.checkedOn ?? null,
      checkEveryDays,
      view.value!.checkIn.measuredOn,
    )
    return why && tell(why)
  }

  /** That an instrument is out of tolerance, or null. */
  function outNow(id: string | null): string | null {
    const instrument = instrumentOf(id)
    if (!instrument || !isOutOfTolerance(instrument)) return null
    return instrument.isCorrected ? t('checkIn.outCorrected') : t('checkIn.outOfTolerance')
  }

  return { recommendation, advised, against, screeningOld, overdue, outNow }
}
