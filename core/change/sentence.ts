import { type Rule, RULES } from './sentence-rules'
import type { Situation } from './situation'

/** A heading, and what else applies. */
export interface Sentence {
  heading: string
  rule: Rule
  also: Rule[]
}

/** Words for a situation: the first rule that applies heads, the others follow. */
export function sentenceOf(situation: Situation): Sentence {
  const apply = RULES.filter((rule) => rule.applies(situation))
  const rule = apply.find(({ follows }) => !follows)!
  const also = rule.alone ? [] : apply.filter((other) => other !== rule && !other.alone)
  return { heading: rule.says(situation), rule, also }
}
