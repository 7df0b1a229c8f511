import { randomLcg, randomNormal } from 'd3-random'
import {
  monteCarlo,
  type BandOfWeek,
  type Uncertainty,
  type Regime,
  type StartingPoint,
} from '#core'

export interface PlanQuestion {
  id: number
  start: StartingPoint
  regime: Regime
  weeks: number
  doubt: Uncertainty
  paths: number
}
export type PlanAnswer = { id: number; progress: number } | { id: number; bands: BandOfWeek[] }

/** The same plan gives the same band every time. */
const SEED = 0.42

let current = 0

/* A new question, or none at all (id 0), ends the one that runs: between two steps there is time to hear it. */
self.onmessage = ({ data }: MessageEvent<PlanQuestion | { id: 0 }>) => {
  current = data.id
  if (!('start' in data)) return
  const { id, start, regime, weeks, doubt, paths } = data
  const run = monteCarlo(start, regime, weeks, doubt, paths, randomNormal.source(randomLcg(SEED))())
  const answer = (what: PlanAnswer) => self.postMessage(what)
  const step = () => {
    if (current !== id) return
    const { done, value } = run.next()
    if (done) return answer({ id, bands: value })
    answer({ id, progress: value })
    setTimeout(step)
  }
  step()
}
