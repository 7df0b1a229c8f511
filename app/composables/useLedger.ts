import {
  changeSince,
  equationById,
  foldValues,
  isSkinfold,
  massOf,
  protocolById,
  seriesBy,
  SKINFOLD_IDS,
  type SkinfoldId,
} from '#core'
import type { CheckInWithReadings, ClientView } from '#shared/check-ins'

/** A client's closed check-ins as the paper log has them: sites down, dates across, oldest first. */
export function useLedger(view: Ref<ClientView>) {
  const closed = computed(() => view.value.checkIns.filter(({ closedAt }) => closedAt !== null))
  const newest = computed<CheckInWithReadings | undefined>(() => closed.value[0])
  const columns = computed(() => [...closed.value].reverse())
  const open = computed(() => view.value.checkIns.find(({ closedAt }) => closedAt === null))

  const series = computed(() =>
    newest.value ? seriesBy(view.value.client, columns.value, newest.value) : [],
  )
  const equation = computed(
    () => newest.value && equationById(protocolById(newest.value.protocolId).equationId),
  )
  const change = computed(
    () => newest.value && changeSince(view.value.client, newest.value, closed.value.slice(1)),
  )

  const values = computed(() =>
    columns.value.map((checkIn) =>
      foldValues(protocolById(checkIn.protocolId), view.value.client.sex, checkIn.readings),
    ),
  )
  const masses = computed(() => columns.value.map(({ readings }) => massOf(readings)))

  /** Every site that was ever taken, in the order of the newest protocol, then the rest. */
  const sites = computed<SkinfoldId[]>(() => {
    const taken = new Set(values.value.flatMap((v) => Object.keys(v).filter(isSkinfold)))
    const order = newest.value
      ? protocolById(newest.value.protocolId).folds[view.value.client.sex]
      : []
    return [...new Set([...order, ...SKINFOLD_IDS])].filter((site) => taken.has(site))
  })

  return { columns, newest, open, series, equation, change, values, masses, sites }
}
