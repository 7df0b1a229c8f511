import { headlineOf, lookAtRecord } from '#core'
import type { ResultProps } from './result-props'

/**
 * What the whole record says at a check-in, as on the client's page.
 *
 * @param shown false for a client who sees sums and girths only
 */
export function useResultLook(props: ResultProps, shown: () => boolean) {
  const look = computed(() => {
    if (props.earlier.length === 0) return undefined
    const { client: person, checkIn, earlier, weighIns, phaseStarts, gymFigures } = props
    return lookAtRecord({
      ...{ person, weighIns, phaseStarts, gymFigures, weekEndsOn: person.weekEndsOn },
      ...{ checkIns: [...[...earlier].reverse(), checkIn], fatAndLean: shown() },
    })
  })
  const headline = computed(
    () => look.value && headlineOf(look.value, { spacingDays: props.client.cadenceDays }),
  )
  return { look, headline }
}
