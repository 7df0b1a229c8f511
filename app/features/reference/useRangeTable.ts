import { NORM_TABLES } from '#core'

export const FAT_TABLES = NORM_TABLES.filter(({ of }) => of === 'fatPercent')

/** The range table in use: the coach's choice, one at a time, with its source. */
export function useRangeTable() {
  return useCookie('oak-pinch-range-table', {
    default: () => FAT_TABLES[0]!.id,
    ...KEPT_ON_DEVICE,
  })
}
