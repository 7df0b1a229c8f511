import type { PlanShown } from './plan-words'

/**
 * How plans are shown here: in the coach's units, and to whom.
 *
 * @param shown false for a client who sees sums and girths only
 */
export function usePlanShown(shown: () => boolean): ComputedRef<PlanShown> {
  const mass = useMassUnit()
  const length = useLengthUnit()
  return computed(() => ({
    units: { mass: mass.value, length: length.value },
    shown: shown(),
  }))
}
