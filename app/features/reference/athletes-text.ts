import { fixed, sumAmongAthletes, type LocatedValue, type Sex } from '#core'

/** Where the sum of seven international folds lies among athletes, in a sentence; undefined without those folds. */
export function athletesText(measured: readonly LocatedValue[], sex: Sex): string | undefined {
  const found = sumAmongAthletes(measured, sex)
  if (!found) return undefined
  const { mm, haveMore, beyond } = found
  const who = sex === 'male' ? 'men' : 'women'
  const lean = haveMore > 50
  const share = beyond
    ? lean
      ? `more than ${fixed(haveMore, 0)} in 100`
      : `fewer than ${fixed(haveMore, 0)} in 100`
    : `about ${fixed(haveMore, 0)} in 100`
  return `The seven international folds without the iliac crest: ${fixed(mm, 1)} mm. Of ${who} who are athletes, ${share} have more (Telford and Cunningham 1991; all ages together).`
}
