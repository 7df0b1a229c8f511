import { partsOfRecord, type Clearance, type Measured, type ScreeningFlag } from '#core'
import type { CheckInWithReadings } from '#shared/contract/check-ins'
import type { ClientPlans, Plan } from '#shared/contract/plans'
import type { ClientRecord } from '#shared/contract/record'

/** What the pages about a plan show of a client's plans, beside the record. */
export function usePlans(
  kept: Ref<ClientPlans | undefined>,
  view: Ref<ClientRecord>,
  measured: Ref<readonly (Measured & CheckInWithReadings)[]>,
) {
  const plans = computed(() => kept.value?.plans ?? [])
  const inForce = computed(() => plans.value.find(({ replacedAt }) => replacedAt === null))
  const before = computed(() => plans.value.filter(({ replacedAt }) => replacedAt !== null))
  const flags = computed(() => (kept.value?.flags ?? []) as ScreeningFlag[])
  const clearances = computed<readonly Clearance[]>(() => kept.value?.clearances ?? [])
  /** The record with the plan as it is now, which may have been kept on this page. */
  const record = computed(
    // Where the client is not there, there is no record.
    () =>
      view.value &&
      partsOfRecord({ ...view.value, planInForce: inForce.value ?? null }, measured.value),
  )
  /** Takes what the server answered with. */
  const take = (all: Plan[]) => void (kept.value = { ...kept.value!, plans: all })
  const takeCleared = (all: Clearance[]) => void (kept.value = { ...kept.value!, clearances: all })
  return { take, takeCleared, plans, inForce, before, flags, clearances, record }
}
