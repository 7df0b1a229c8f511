import type { CheckIn } from '#shared/contract/check-ins'

/** Whether tester or caliper of a check-in are others than those of an earlier one. */
export function setupChange(now: CheckIn | undefined, before: CheckIn | undefined) {
  if (!now || !before) return {}
  return {
    anotherTester: now.testerId !== before.testerId,
    anotherCaliper: now.caliperId !== before.caliperId,
  }
}
