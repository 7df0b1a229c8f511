import type { SiteId } from '../anatomy/ids'
import type { Finding } from './finding'
import { fixed } from '../units/format'
import { bmiOf } from '../units/bmi'

/** Girths, mass and height that hardly go together. Soft: a second look, never a refusal. */
export function findRelations(
  values: Partial<Record<SiteId, number>>,
  body: { massKg?: number; heightCm?: number } = {},
): Finding[] {
  const { waist, abdomen, hip, neck, upper_arm_flexed: flexed, upper_arm_relaxed: relaxed } = values
  const { calf_girth: calf, thigh_girth: thigh } = values
  const { massKg, heightCm } = body
  const found: Finding[] = []
  const ask = (when: boolean | undefined, sites: Finding['sites'], evidence: string) => {
    if (when) found.push({ kind: 'relation', sites, suggestions: [], evidence, support: 0 })
  }
  const has = (...all: (number | undefined)[]) => all.every((v) => v !== undefined)
  ask(
    has(waist, abdomen) && waist! > abdomen! + 1,
    ['waist', 'abdomen'],
    'The waist is more than 1 cm over the abdomen: the waist is the narrowest.',
  )
  ask(
    has(waist, hip) && (waist! / hip! < 0.55 || waist! / hip! > 1.35),
    ['waist', 'hip'],
    'Waist over hip is unusual: were the two changed about?',
  )
  ask(has(neck, waist) && neck! >= waist!, ['neck', 'waist'], 'The neck is at or over the waist.')
  ask(
    has(flexed, relaxed) && flexed! < relaxed!,
    ['upper_arm_flexed', 'upper_arm_relaxed'],
    'The flexed arm is under the relaxed one.',
  )
  ask(
    has(calf, thigh) && calf! > thigh!,
    ['calf_girth', 'thigh_girth'],
    'The calf is over the thigh.',
  )
  if (massKg !== undefined && heightCm !== undefined) {
    const bmi = bmiOf(massKg, heightCm)
    ask(
      bmi < 15 || bmi > 55,
      ['mass', 'height'],
      `Body mass and height give a BMI of ${fixed(bmi, 1)}: look at both again.`,
    )
  }
  return found
}
