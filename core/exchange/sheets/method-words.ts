import type { OtherMethod } from '../../change/other-methods'
import { plainName } from '../../units/plain-name'

/*
 * How files name other methods than the folds, in headings and in cells. Common practice, no source.
 */
const WORDS: readonly (readonly [OtherMethod, RegExp])[] = [
  ['dxa', /\b(?:dxa|dexa|(?:dual )?(?:energy )?x ray absorptiometry)\b/],
  ['air', /\b(?:adp|air displacement|air|plethysmography)\b/],
  ['water', /\b(?:uww|hydrostatic|underwater|hydrodensitometry|water displacement)\b/],
  ['bia', /\b(?:bia|bis|bioimpedance|(?:bio ?electrical )?impedance)\b/],
  ['ultrasound', /\b(?:ultrasound|ultrasonic|sonography)\b/],
]

/** Words around a method's own that say no more. */
const AROUND = /\b(?:scan|weighing|weigh|analysis|plethysmography|displacement|method|test)\b/g

/**
 * The method that a text names, and what is left of the text without it.
 *
 * @param text a heading or a cell
 * @returns undefined where it names none, or more than one
 */
export function methodIn(text: string): { method: OtherMethod; rest: string } | undefined {
  const plain = plainName(text.replace(/[^\p{L}\p{M}\p{N}%]+/gu, ' '))
  const named = WORDS.filter(([, words]) => words.test(plain))
  const [only, another] = named
  if (!only || another) return undefined
  const rest = plain.replace(only[1], ' ').replace(AROUND, ' ').replace(/\s+/g, ' ').trim()
  return { method: only[0], rest }
}
