import { readFileSync } from 'node:fs'
import { format, resolveConfig } from 'prettier'
import { describe, expect, test } from 'vitest'
import { generatedParts, withParts } from '../core/docs-parts'
import { honestQuestioned, slipTrials } from '../core/slip-trials'

describe('by simulation (seeded; the errors of the reference tables, which are judgement)', () => {
  test('honest check-ins are seldom questioned, whoever measures and whoever is measured', () => {
    for (const { world, questioned, most } of honestQuestioned()) {
      expect(questioned, world).toBeLessThanOrEqual(most)
    }
  })

  test('slips are found as often as promised, and right values are left alone', () => {
    for (const { slip, found, wanted, misled } of slipTrials()) {
      expect(found, slip).toBeGreaterThanOrEqual(wanted)
      expect(misled, slip).toBeLessThanOrEqual(0.02)
    }
  })

  test('docs/how-it-computes.md says what the simulation and the registry say (npm run docs)', async () => {
    const path = new URL('../../docs/how-it-computes.md', import.meta.url)
    const text = readFileSync(path, 'utf8')
    const config = await resolveConfig(path)
    const fresh = await format(withParts(text, generatedParts()), {
      ...config,
      parser: 'markdown',
    })
    expect(text).toBe(fresh)
  })
})
