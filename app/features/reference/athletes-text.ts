import { sumAmongAthletes, type LocatedValue, type Sex } from '#core'

/** Where the sum of seven international folds lies among athletes, in a sentence; undefined without those folds. */
export function athletesText(measured: readonly LocatedValue[], sex: Sex): string | undefined {
  const found = sumAmongAthletes(measured, sex)
  if (!found) return undefined
  const { mm, haveMore, beyond } = found
  const share = beyond ? (haveMore > 50 ? 'moreThan' : 'fewerThan') : 'about'
  return t(`reference.athletes.${sex}.${share}`, {
    mm: fixed(mm, 1),
    percent: fixed(haveMore, 0),
  })
}
