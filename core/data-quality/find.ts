import { findCopies } from './copies'
import { findApart, findBodyContradiction, findGirthJumps } from './disagreement'
import type { EntryErrorContext, Finding } from './finding'
import { type Trials, byKind } from './likelihood'
import { findLimits } from './limits'
import { findHeightError, findMassError } from './mass-height'
import { findRelations } from './relations'
import { entryErrorsIn } from './search'
import { findShift } from './visit-shift'

/**
 * What asks for a second look in a sheet, as far as it is filled: slips of the hand with the value that was likely
 * meant, copies, a site that moved alone, a visit that shifted as a whole, limits newly crossed, relations that do not
 * hold. By likelihood: a correction is offered when it makes the sheet more likely by more than slips are rare.
 * Judgement, no published method; how often it is right is in docs/how-it-computes.md.
 *
 * @param trials typed values of each site in the order they were taken; mm for folds, cm for girths
 * @returns the strongest first; empty for most honest sheets
 */
export function findEntryErrors(trials: Trials, context: EntryErrorContext): Finding[] {
  const kinds = byKind(trials)
  const means = Object.fromEntries(
    [...trials].map(([site, v]) => [site, v.reduce((a, b) => a + b, 0) / v.length]),
  )
  const mass = findMassError(context, means)
  // A body mass that is an entry error itself is no evidence about the folds.
  const trusted: EntryErrorContext = mass.length ? { ...context, massKg: undefined } : context
  const slips = [
    ...entryErrorsIn('fold', kinds.fold, trusted),
    ...entryErrorsIn('girth', kinds.girth, trusted),
  ]
  const slipped = new Set(slips.flatMap((s) => s.sites))
  const whole = slips.length
    ? []
    : [...findCopies(kinds.fold, context), ...findShift(kinds.fold, trusted)]
  return [
    ...mass,
    ...findHeightError(context),
    ...slips,
    ...whole,
    ...[
      ...findApart(trials, context),
      ...findGirthJumps(trials, context),
      ...findLimits(trials, context),
    ].filter((f) => !f.sites.some((s) => slipped.has(s))),
    ...findRelations(means, mass.length ? { heightCm: context.heightCm } : context),
    ...(mass.length ? [] : findBodyContradiction(means, context)),
  ].sort((a, b) => b.support - a.support)
}
