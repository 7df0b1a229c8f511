import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import type { BandOfWeek } from '#core'
import { usePlanBands } from '../../app/features/plan/usePlanBands'
import { settleTyping, useResting } from '../../app/ui/useResting'
import type { PlanAnswer, PlanQuestion } from '../../app/workers/plan'
import { mounted } from './support/mounted'

type Asked = Omit<PlanQuestion, 'id' | 'paths'>

/** A worker that answers when it is told to. */
class Hand {
  static last: Hand
  sent: Partial<PlanQuestion>[] = []
  onmessage: (event: { data: PlanAnswer }) => void = () => {}
  constructor() {
    Hand.last = this
  }
  postMessage(question: Partial<PlanQuestion>) {
    this.sent.push(question)
  }
  terminate() {}
  answer(data: PlanAnswer) {
    this.onmessage({ data })
  }
}

beforeEach(() => void vi.useFakeTimers())
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('the band of a plan', () => {
  const question = (weeks: number) => ref({ weeks } as Asked)
  const bands = [{ week: 0 }] as unknown as BandOfWeek[]

  test('shows how far it is only where it takes longer than a third of a second', () => {
    vi.stubGlobal('Worker', Hand)
    const { it } = mounted(() => usePlanBands(question(12)))
    const [{ id }] = Hand.last.sent as [PlanQuestion]
    Hand.last.answer({ id, progress: 0.2 })
    vi.advanceTimersByTime(299)
    expect([it.progress.value, it.busy.value]).toEqual([undefined, true])
    vi.advanceTimersByTime(2)
    expect(it.progress.value).toBe(0.2)
    Hand.last.answer({ id, progress: 0.6 })
    expect(it.progress.value).toBe(0.6)
    Hand.last.answer({ id, bands })
    expect([it.bands.value, it.progress.value, it.busy.value]).toEqual([bands, undefined, false])
  })

  test('of a plan that is not asked about any more is not shown', async () => {
    vi.stubGlobal('Worker', Hand)
    const asked = question(12)
    const { it } = mounted(() => usePlanBands(asked))
    asked.value = { weeks: 20 } as Asked
    await nextTick()
    const [first, second] = Hand.last.sent as [PlanQuestion, PlanQuestion]
    Hand.last.answer({ id: first.id, bands })
    expect(it.bands.value).toBeUndefined()
    Hand.last.answer({ id: second.id, bands })
    expect(it.bands.value).toBe(bands)
    vi.advanceTimersByTime(1000)
    expect(it.progress.value).toBeUndefined()
    // The same once more asks nothing.
    asked.value = { weeks: 20 } as Asked
    await nextTick()
    expect(Hand.last.sent).toHaveLength(2)
  })
})

describe('what is typed', () => {
  test('is taken when the hand rests, of all fields together, and at once where it has to be', async () => {
    const [goal, pace] = [ref('60'), ref('0.7')]
    const { it } = mounted(() => ({ goal: useResting(goal), pace: useResting(pace) }))
    it.goal.type('5')
    vi.advanceTimersByTime(390)
    it.goal.type('59')
    // On to the next field: the hand is still at work.
    vi.advanceTimersByTime(390)
    it.pace.type('0.5')
    vi.advanceTimersByTime(390)
    expect([it.goal.text.value, goal.value, pace.value]).toEqual(['59', '60', '0.7'])
    vi.advanceTimersByTime(20)
    expect([goal.value, pace.value]).toEqual(['59', '0.5'])
    it.goal.type('58')
    settleTyping()
    expect(goal.value).toBe('58')
    // What the page itself puts in is shown.
    pace.value = '0.4'
    await nextTick()
    expect(it.pace.text.value).toBe('0.4')
  })
})
