import { median } from 'simple-statistics'

const ROUNDS = 25

/** How long something takes, ms: the median of many rounds. */
export async function medianTime(run: () => Promise<unknown>): Promise<number> {
  const times: number[] = []
  for (let round = 0; round < ROUNDS; round++) {
    const from = performance.now()
    await run()
    times.push(performance.now() - from)
  }
  return median(times)
}
