import {
  headlineOf,
  lookAtRecord,
  partsOfRecord,
  phaseStartsOf,
  type Headline,
  type Look,
  type Measured,
} from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { ClientRecord } from '#shared/contract/record'

/** How a record's last phase began, in the words of its row. */
export type PhaseBegan = 'plan' | 'mark'

/**
 * What the whole record says at its newest check-in, and on the way to it. One check-in has nothing to be held against.
 *
 * @param shown false for a client who sees sums and girths only
 * @param then a check-in from which changes are counted too
 */
export function useLook(
  view: Ref<ClientRecord>,
  measured: Ref<readonly (Measured & CheckInWithReadings)[]>,
  shown: Ref<boolean>,
  then: Ref<Measured | undefined>,
) {
  /** A plan, and what the coach marked as a new phase. */
  const begins = computed(() => phaseStartsOf(view.value))
  const look = computed<Look | undefined>(() => {
    if (measured.value.length < 2) return undefined
    return lookAtRecord(
      { ...partsOfRecord(view.value, measured.value), fatAndLean: shown.value },
      { retrospect: { chosen: then.value?.measuredOn } },
    )
  })
  const headline = computed<Headline | undefined>(
    () => look.value && headlineOf(look.value, { spacingDays: view.value.client.cadenceDays }),
  )
  const phaseBegan = computed<PhaseBegan>(() => {
    const last = (dates: string[]) => [...dates].sort().at(-1) ?? ''
    return last(begins.value.mark) > last(begins.value.plan) ? 'mark' : 'plan'
  })
  return { look, headline, phaseBegan }
}
