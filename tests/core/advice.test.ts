import { describe, expect, test } from 'vitest'
import {
  ADVICE,
  adviceOn,
  HEADLINE_RULES,
  type Headline,
  type HeadlineRule,
  type NamedChange,
} from '#core'

const WAYS = [-1, 0, 1] as const
type Way = (typeof WAYS)[number]

function change(quantity: NamedChange['quantity'], way: Way): NamedChange {
  const interval: [number, number] = way === 0 ? [-2, 1] : way < 0 ? [-6, -2] : [2, 6]
  return { quantity, change: 4 * way, sd: 1, interval, verdict: way === 0 ? 'not-yet' : 'clear' }
}
const headline = (rule: HeadlineRule, changes: NamedChange[]): Headline => ({
  ...{ rule, changes, horizon: 'phase', since: '2030-01-07', weeks: 8 },
})
function* headlines() {
  for (const rule of HEADLINE_RULES)
    for (const fat of WAYS)
      for (const lean of WAYS)
        yield {
          ...{ rule, fat, lean },
          advice: adviceOn(headline(rule, [change('fat', fat), change('lean', lean)])),
        }
}

describe('what coaches usually do', () => {
  test('every rule of advice is given somewhere, each suggestion with its reason', () => {
    const given = new Set([...headlines()].map(({ advice }) => advice.id))
    expect([...given].sort()).toEqual(ADVICE.map(({ id }) => id).sort())
    for (const { next } of ADVICE) {
      for (const { what, why } of next) expect(what && why).toBeTruthy()
    }
  })

  test('nobody is told to keep a plan that costs lean, goes too fast or lets fat climb', () => {
    for (const { rule, fat, lean, advice } of headlines()) {
      const keeps = advice.next.some(({ what }) => /keep going|^Keep the pace/.test(what))
      const clear = rule === 'phase-clear' || rule === 'first-clear'
      if (keeps) expect(clear && fat <= 0 && (fat === -1 || lean === 1)).toBe(true)
      if (rule === 'too-fast' || rule === 'losing-lean') {
        expect(advice.next[0]!.what).toMatch(/^Ease the deficit/)
        expect(advice.next[0]!.caution).toMatch(/physician or registered dietitian/)
      }
    }
  })

  test('where a sum or a girth is followed it stands for fat', () => {
    for (const quantity of ['sum', 'waist'] as const) {
      const ofOne = (way: Way) => adviceOn(headline('phase-clear', [change(quantity, way)])).id
      expect([ofOne(-1), ofOne(1)]).toEqual(['fat-down', 'fat-up'])
    }
  })
})
