/**
 * Whether percentages and class names may be on the screen. Where a client is to see sums and girths only, they stay
 * away until the coach asks for them, and go away again with the page.
 */
export function usePercentages(client: () => { showPercentages: boolean } | undefined) {
  const asked = ref(false)
  const hiding = computed(() => client()?.showPercentages === false)
  const shown = computed(() => !hiding.value || asked.value)
  return { hiding, shown, asked }
}
