import type { SkipReason } from '#shared/contract/choices'

/** The keys of the reasons, which are kept on record by their first words. */
const KEYS = {
  'jaws not parallel': 'jaws',
  'beyond the caliper': 'beyond',
  'skin, wound or implant': 'skin',
  'client declined': 'declined',
  'out of time': 'time',
  'clothing in the way': 'clothing',
  'tape too short': 'short',
  'wound, dressing or swelling': 'wound',
} as const satisfies Record<SkipReason, string>

/** Why a site was skipped, in words. */
export const skipText = (reason: SkipReason): string => t(`checkIn.skipReasons.${KEYS[reason]}`)
