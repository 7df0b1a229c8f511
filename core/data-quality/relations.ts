import { type Message, num, say } from '../say'
import type { SiteId } from '../anatomy/ids'
import type { Finding } from './finding'
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
  const ask = (when: boolean | undefined, sites: Finding['sites'], evidence: Message) => {
    if (when) found.push({ kind: 'relation', sites, suggestions: [], evidence, support: 0 })
  }
  const has = (...all: (number | undefined)[]) => all.every((v) => v !== undefined)
  ask(
    has(waist, abdomen) && waist! > abdomen! + 1,
    ['waist', 'abdomen'],
    say('findings.waistMore1CmOver'),
  )
  ask(
    has(waist, hip) && (waist! / hip! < 0.55 || waist! / hip! > 1.35),
    ['waist', 'hip'],
    say('findings.waistOverHipUnusualWere'),
  )
  ask(has(neck, waist) && neck! >= waist!, ['neck', 'waist'], say('findings.neckOverWaist'))
  ask(
    has(flexed, relaxed) && flexed! < relaxed!,
    ['upper_arm_flexed', 'upper_arm_relaxed'],
    say('findings.flexedArmUnderRelaxedOne'),
  )
  ask(
    has(calf, thigh) && calf! > thigh!,
    ['calf_girth', 'thigh_girth'],
    say('findings.calfOverThigh'),
  )
  if (massKg !== undefined && heightCm !== undefined) {
    const bmi = bmiOf(massKg, heightCm)
    ask(
      bmi < 15 || bmi > 55,
      ['mass', 'height'],
      say('findings.bodyMassHeightGiveBmi', { bmi: num(bmi, 1) }),
    )
  }
  return found
}
