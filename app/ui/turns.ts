import { defineAsyncComponent, type Component } from 'vue'
import { breathe } from '../utils/moments'

/*
 * A page that the server has drawn can be read at once. What makes its parts answer comes one part at a time: those
 * that have something to do of themselves first, the others when a hand comes to the page, and the one under the hand
 * before all of them.
 */

/** A part that the server has drawn and that does not answer yet. */
interface Part {
  elements: readonly Element[]
  wake: () => void
}

/** Signs that somebody is there, each before what it announces; the way back to another page is one as well. */
const SIGNS = ['pointermove', 'pointerdown', 'touchstart', 'focusin', 'keydown', 'popstate']
/** What may change the page: before it is answered every part is awake, so that none is left with what was before. */
const ACTS = ['click', 'input', 'change', 'submit', 'hashchange']
const PASSIVE = { capture: true, passive: true }

/** Parts that wait for a hand, and parts that wait for their turn. */
const asleep = new Set<Part>()
const waiting: Part[] = []
let touched: Node | undefined
let listening = false
let running = false
let waking = false

/** Whether what is set up now stands inside a part that wakes, as the server has drawn it. */
export const insideWaking = () => waking

/** One part that cannot wake holds up none behind it. */
function wakeNow({ wake }: Part): void {
  const outer = waking
  waking = true
  try {
    wake()
  } catch (fault) {
    reportError(fault)
  } finally {
    waking = outer
  }
}

function wakeWaiting(): void {
  for (let part = waiting.shift(); part; part = waiting.shift()) wakeNow(part)
}

/** While parts of the page wait for their turn, the document says so. */
async function takeTurns() {
  if (running) return
  running = true
  const { dataset } = document.documentElement
  dataset.waking = ''
  while (waiting.length > 0) {
    await breathe()
    const part = waiting.shift()
    if (part) wakeNow(part)
    // Parts inside a part ask for their turn a moment after it.
    if (waiting.length === 0) await breathe()
  }
  delete dataset.waking
  running = false
}

const holds = ({ elements }: Part, node: Node | undefined) =>
  node !== undefined && elements.some((element) => element.contains(node))

function feel({ type, target }: Event): void {
  touched = target instanceof Node ? target : document
  const parts = [...asleep]
  asleep.clear()
  // What is under the hand answers to this very event.
  for (const part of parts) {
    if (holds(part, touched)) wakeNow(part)
    else waiting.push(part)
  }
  if (ACTS.includes(type)) wakeWaiting()
  if (waiting.length > 0) return void takeTurns()
  for (const name of [...SIGNS, ...ACTS]) removeEventListener(name, feel, PASSIVE)
  listening = false
}

function takeIn(part: Part, unasked: boolean): void {
  if (touched && holds(part, touched)) return wakeNow(part)
  if (unasked || touched) {
    waiting.push(part)
    void takeTurns()
  } else asleep.add(part)
  if (listening) return
  listening = true
  for (const name of [...SIGNS, ...ACTS]) addEventListener(name, feel, PASSIVE)
}

/** The one slot of InTurn as it stands, so that the page is the same as the server's. */
const TheSlot: Component = {
  setup:
    (_, { slots }) =>
    () =>
      slots.default?.()[0],
}

/**
 * One part of a page that comes alive by itself.
 *
 * @param unasked it has something to do of itself, and waits for nobody
 * @param woken hears that it is awake
 * @returns the component that holds it, and whether it sleeps
 */
export function partInTurn(unasked: boolean, woken: () => void) {
  let awake = false
  const component = defineAsyncComponent({
    loader: () => Promise.resolve(TheSlot),
    hydrate(hydrate, forEachElement) {
      const elements: Element[] = []
      forEachElement((element) => void elements.push(element))
      const part: Part = {
        elements,
        wake() {
          hydrate()
          awake = true
          woken()
        },
      }
      takeIn(part, unasked)
      return () => {
        asleep.delete(part)
        const place = waiting.indexOf(part)
        if (place >= 0) waiting.splice(place, 1)
      }
    },
  })
  return { component, isAsleep: () => !awake }
}
