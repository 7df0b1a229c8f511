import { useVirtualizer, type Range } from '@tanstack/vue-virtual'
import type { LedgerColumn } from './LedgerCells.vue'
import { COLUMN_WIDTH } from './useLedgerColumns'

/** Width of the column of names, px. */
export const LABEL_WIDTH = 150
/** Width of a column of changes, px. */
export const CHANGE_WIDTH = 76
/** What is drawn before the browser has measured the sheet, px. */
export const FIRST_WIDTH = 1200

/** Columns are drawn in blocks, with one more on either side of what is in sight. */
const BLOCK = 4
/** True for a column of the block. */
export const inBlock = (block: number, column: number) => Math.floor(column / BLOCK) === block
function blocksOf({ startIndex, endIndex, count }: Range): number[] {
  const from = Math.max(0, (Math.floor(startIndex / BLOCK) - 1) * BLOCK)
  const to = Math.min(count, (Math.floor(endIndex / BLOCK) + 2) * BLOCK)
  return Array.from({ length: to - from }, (_, i) => from + i)
}

/** The stretch of a long ledger that is drawn: what is in sight, in blocks of columns. */
export function useLedgerWindow(
  scroller: Readonly<Ref<HTMLElement | null>>,
  columns: Readonly<Ref<readonly unknown[]>>,
  columnAt: Readonly<Ref<(index: number) => LedgerColumn>>,
) {
  const whole = computed(() => LABEL_WIDTH + COLUMN_WIDTH * columns.value.length)
  const virtualizer = useVirtualizer(
    computed(() => ({
      horizontal: true,
      count: columns.value.length,
      getScrollElement: () => scroller.value,
      estimateSize: () => COLUMN_WIDTH,
      paddingStart: LABEL_WIDTH,
      // Room for the column of names, which stays in place.
      scrollPaddingStart: LABEL_WIDTH,
      rangeExtractor: blocksOf,
      initialRect: { width: FIRST_WIDTH, height: 0 },
      initialOffset: Math.max(0, whole.value - FIRST_WIDTH),
    })),
  )
  /**
   * A block is made when it first comes into sight, and is the same list as long as what it shows is the same, so that
   * scrolling draws only the block that comes.
   */
  const blockAt = computed(() => {
    const [column, count] = [columnAt.value, columns.value.length]
    const made: LedgerColumn[][] = []
    return (block: number): LedgerColumn[] =>
      (made[block] ??= Array.from({ length: Math.min(BLOCK, count - block * BLOCK) }, (_, i) =>
        column(block * BLOCK + i),
      ))
  })
  const inSight = computed(() => {
    const items = virtualizer.value.getVirtualItems()
    return { from: items[0]?.index ?? 0, to: (items.at(-1)?.index ?? -1) + 1 }
  })
  const firstBlock = computed(() => Math.floor(inSight.value.from / BLOCK))
  const endBlock = computed(() => Math.ceil(inSight.value.to / BLOCK))
  const blocks = computed(() =>
    Array.from({ length: endBlock.value - firstBlock.value }, (_, i) => ({
      block: firstBlock.value + i,
      columns: blockAt.value(firstBlock.value + i),
    })),
  )
  const drawn = computed(() => blocks.value.flatMap((b) => b.columns))
  /** The room of the columns before those that are drawn. */
  const before = computed(() => ({ width: `${COLUMN_WIDTH * BLOCK * firstBlock.value}px` }))

  return { whole, virtualizer, blocks, drawn, before }
}
