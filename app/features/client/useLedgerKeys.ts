import type { Virtualizer } from '@tanstack/vue-virtual'
import { COLUMN_WIDTH } from './useLedgerColumns'
import { FIRST_WIDTH, LABEL_WIDTH } from './useLedgerWindow'

/** The sheet is walked with the arrows; Enter takes the column into the comparison. */
export function useLedgerKeys(
  scroller: Readonly<Ref<HTMLElement | null>>,
  columns: Readonly<Ref<readonly { id: string }[]>>,
  lines: Readonly<Ref<readonly unknown[]>>,
  virtualizer: Readonly<Ref<Virtualizer<HTMLElement, Element>>>,
  take: (id: string) => void,
) {
  const at = ref({ row: 0, column: Math.max(0, columns.value.length - 1) })
  async function go(row: number, column: number) {
    at.value = {
      row: Math.min(Math.max(row, 0), lines.value.length - 1),
      column: Math.min(Math.max(column, 0), columns.value.length - 1),
    }
    virtualizer.value.scrollToIndex(at.value.column)
    await nextTick()
    requestAnimationFrame(() =>
      scroller.value
        ?.querySelector<HTMLElement>(`[data-cell="${at.value.row},${at.value.column}"]`)
        ?.focus({ preventScroll: true }),
    )
  }
  function onKey(event: KeyboardEvent) {
    const { row, column } = at.value
    const inSight = (scroller.value?.clientWidth ?? FIRST_WIDTH) - LABEL_WIDTH
    const page = Math.max(1, Math.floor(inSight / COLUMN_WIDTH) - 1)
    const moves: Record<string, [number, number]> = {
      ArrowLeft: [row, column - 1],
      ArrowRight: [row, column + 1],
      ArrowUp: [row - 1, column],
      ArrowDown: [row + 1, column],
      Home: [row, 0],
      End: [row, columns.value.length - 1],
      PageUp: [row, column - page],
      PageDown: [row, column + page],
    }
    const move = moves[event.key]
    if (move) {
      event.preventDefault()
      void go(...move)
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      take(columns.value[column]!.id)
    }
  }

  function onFocus({ target }: FocusEvent) {
    const cell = (target as HTMLElement).dataset.cell
    if (!cell) return
    const [row, column] = cell.split(',').map(Number)
    at.value = { row: row!, column: column! }
  }

  return { at, onKey, onFocus }
}
