import { defineAsyncComponent, type Component, type HydrationStrategy } from 'vue'
import { breathe } from '../utils/moments'

const waiting: (() => void)[] = []
let running = false

/** While parts of the page wait for their turn, the document says so. */
async function takeTurns() {
  running = true
  const { dataset } = document.documentElement
  dataset.waking = ''
  while (waiting.length > 0) {
    await breathe()
    try {
      waiting.shift()?.()
    } catch (fault) {
      // One part that cannot wake holds up none behind it.
      reportError(fault)
    }
  }
  delete dataset.waking
  running = false
}

const inTurn: HydrationStrategy = (hydrate) => {
  waiting.push(hydrate)
  if (!running) void takeTurns()
  return () => {
    const place = waiting.indexOf(hydrate)
    if (place >= 0) waiting.splice(place, 1)
  }
}

/** The one slot of InTurn as it stands, so that the page is the same as the server's. */
const TheSlot: Component = {
  setup:
    (_, { slots }) =>
    () =>
      slots.default?.()[0],
}

/** What is inside comes alive after what stands before it, in a turn of its own. */
export const TurnPart: Component = defineAsyncComponent({
  loader: () => Promise.resolve(TheSlot),
  hydrate: inTurn,
})
