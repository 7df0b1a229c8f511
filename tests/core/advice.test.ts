import { tell, told } from '../support/words'
import { describe, expect, test } from 'vitest'
import { ADVICE, adviceOn, HEADLINE_RULES } from '#core'
import { changeOf, headlineWith, WAYS, type Way } from './headlines'

function* headlines() {
  for (const rule of HEADLINE_RULES)
    for (const fat of WAYS)
      for (const lean of WAYS)
        yield {
          ...{ rule, fat, lean },
          advice: adviceOn(headlineWith(rule, [changeOf('fat', fat), changeOf('lean', lean)])),
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
      const keeps = advice.next.some(({ what }) => /keep going|^Keep the pace/.test(tell(what)))
      const clear = rule === 'phase-clear' || rule === 'first-clear'
      if (keeps) expect(clear && fat <= 0 && (fat === -1 || lean === 1)).toBe(true)
      if (rule === 'too-fast' || rule === 'losing-lean') {
        expect(told(advice.next[0]!.what)).toMatch(/^Ease the deficit/)
        expect(told(advice.next[0]!.caution)).toMatch(/physician or registered dietitian/)
      }
    }
  })

  test('where a sum or a girth is followed it stands for fat', () => {
    for (const quantity of ['sum', 'waist'] as const) {
      const ofOne = (way: Way) =>
        adviceOn(headlineWith('phase-clear', [changeOf(quantity, way)])).id
      expect([ofOne(-1), ofOne(1)]).toEqual(['fat-down', 'fat-up'])
    }
  })
})
