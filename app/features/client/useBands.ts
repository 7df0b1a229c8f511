import { bandsOf, basisOf, type FollowedFolds, type Measured } from '#core'
import type { ClientRecord } from '#shared/contract/record'

type Bands = ReturnType<typeof bandsOf>

/**
 * What each check-in says with the band of its measurement error: the dearest figures of a record. Worked out in the
 * browser alone, a check-in at a time; undefined until all are there.
 *
 * @param measured closed check-ins, oldest first
 * @param followed the folds whose sum they have in common
 * @returns the bands of each, by the id of the check-in
 */
export function useBands<M extends Measured & { id: string }>(
  view: () => ClientRecord,
  measured: Ref<readonly M[]>,
  followed: () => FollowedFolds | undefined,
) {
  const bands = shallowRef<ReadonlyMap<string, Bands>>()
  if (import.meta.server) return bands
  watch(
    // The client comes with the record that the check-ins are of.
    measured,
    async (all, _, onCleanup) => {
      let old = false
      onCleanup(() => (old = true))
      const made = new Map<string, Bands>()
      const last = all.at(-1)
      const basis = last && basisOf(view().client, last, followed())
      for (const checkIn of all) {
        await breathe()
        if (old) return
        made.set(checkIn.id, bandsOf(view().client, checkIn, basis!, last))
      }
      bands.value = made
    },
    { immediate: true },
  )
  return bands
}
