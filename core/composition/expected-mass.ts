import { type SiteId, isSkinfold } from '../anatomy/ids'
import { estimate } from './estimate'
import type { EstimateOptions, Subject, Values } from '../equations/types'
import { attempt } from '../outcome'

/**
 * The body mass to be expected when every fold changed by one share and lean mass was held: lean / (1 - fat %).
 *
 * @param subject at the last check-in, with body mass in kg
 * @param values fold values of the last check-in, mm
 * @returns kg by share of change; beyond what the equation takes, the mass of last time. Undefined without a body mass
 *   or an estimate to start from
 */
export function expectedMass(
  equationId: string,
  subject: Subject,
  values: Values,
  options: EstimateOptions = {},
): ((change: number) => number) | undefined {
  const { massKg } = subject
  const now = attempt(() => estimate(equationId, subject, values, options))
  if (massKg === undefined || !now.ok) return undefined
  const lean = now.value.leanMassKg!
  return (change) => {
    const scaled: Values = {}
    for (const site of Object.keys(values) as SiteId[]) {
      scaled[site] = values[site]! * (isSkinfold(site) ? 1 + change : 1)
    }
    const then = attempt(() => estimate(equationId, subject, scaled, options))
    return then.ok ? lean / (1 - then.value.fatPercent / 100) : massKg
  }
}
