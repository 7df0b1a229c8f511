import {
  measuredSomatotype,
  profileInputs,
  profileOf,
  sheetOf,
  SOMATOTYPE_MEASURES,
  missingIn,
  type Measured,
  setupAt,
  type ProfileInputs,
  type SiteId,
} from '#core'
import type { Client } from '#shared/contract/clients'

/** A check-in with what a profile is made of. */
export interface ProfileDay {
  id: string
  date: string
  inputs: ProfileInputs
}

/** The check-ins of somebody in which more than folds and a weight were measured, and the profile of one of them. */
export function useProfiles(
  client: () => Client,
  measured: () => readonly (Measured & { id: string })[],
) {
  const days = computed(() =>
    measured().map((one): ProfileDay => {
      const setupOf = (site?: SiteId) => (site ? setupAt(one, site).setup : one.setup)
      const inputs = profileInputs(sheetOf(client(), one), setupOf)
      return { id: one.id, date: one.measuredOn, inputs }
    }),
  )
  /** Those with a whole somatotype, oldest first. */
  const typed = computed(() =>
    days.value.flatMap(({ id, date, inputs: { measures, errors } }) =>
      missingIn(measures, SOMATOTYPE_MEASURES).length > 0
        ? []
        : [{ id, date, type: measuredSomatotype(measures, errors) }],
    ),
  )
  const chosen = ref<string>()
  const day = computed(() => days.value.find(({ id }) => id === chosen.value) ?? days.value.at(-1))
  const profile = computed(() => day.value && profileOf(day.value.inputs))
  return { days, typed, chosen, day, profile }
}
