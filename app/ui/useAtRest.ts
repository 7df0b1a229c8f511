/** Whether the page has once been at rest: a chart is drawn then, after the figures that the coach reads first. */
export function useAtRest(): Ref<boolean> {
  const atRest = ref(false)
  onMounted(() => whenIdle(() => (atRest.value = true)))
  return atRest
}
