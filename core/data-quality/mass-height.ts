import { type Message, say } from '../say'
import { type SiteId, WAISTS } from '../anatomy/ids'
import { limitsOf } from '../anatomy/limits'
import { conicity } from './disagreement'
import { LOOKS_LIKE } from './evidence'
import { massByRecord } from './expected-mass'
import {
  AGAINST,
  type EntryErrorContext,
  type EntryErrorKind,
  type Finding,
  type MassBefore,
  LEAD,
  REPORT,
  heightAsRead,
  massAsRead,
} from './finding'
import { otherTensOf, transpositionsOf } from './meanings'
import { logCauchy, logNormal } from './likelihood'
import { CM_PER_INCH, INCHES_PER_FOOT, KG_PER_POUND } from '../units/constants'
import { massIn } from '../units/format'
import { bmiOf } from '../units/bmi'

/** What a mass or height may have been meant as, with its words. */
interface Meant {
  kind: EntryErrorKind
  value: number
  /** Log of how much closer its numbers lie; see Meaning. */
  stretch?: number
  words: Message
}

/** What a body mass is judged by. */
export type MassContext = Pick<EntryErrorContext, 'massKg' | 'masses' | 'heightCm' | 'units'>

/** Usual BMI of adults who are measured, and how conical they are about the waist. Judgement. */
const BMI = { mean: 26, sd: 7 }
const CONICITY = { mean: 1.22, sd: 0.1 }
/** A mass unlike the record is off by this many kg, or by many more: the width of a Cauchy distribution. Judgement. */
const ODD_BY_KG = 6
/** Log odds against feet and inches miscounted. Judgement. */
const AGAINST_MISCOUNTED = 4

/** Log density of a body mass: by the record, or else by what goes with height and waist. */
function massDensity(
  usual: ReturnType<typeof massByRecord>,
  heightCm: number | undefined,
  waistCm: number | undefined,
): ((kg: number) => number) | undefined {
  if (usual) return (kg) => logNormal(kg, usual.kg, usual.sd ** 2)
  if (heightCm === undefined) return undefined
  const ofBmi = (kg: number) => logNormal(bmiOf(kg, heightCm), BMI.mean, BMI.sd ** 2)
  if (waistCm === undefined) return ofBmi
  // Who is heavy and wide about the waist is heavy, and has typed no pounds. A waist that contradicts is another matter.
  const { mean, sd } = CONICITY
  return (kg) => Math.max(ofBmi(kg), logNormal(conicity(waistCm, kg, heightCm), mean, sd ** 2))
}

/** What a typed body mass may have been meant as, kg. */
function massMeanings(kg: number, { units }: MassContext): Meant[] {
  const unit = units?.mass ?? 'kg'
  const perShown = kg / massIn(kg, unit)
  const pounds = { value: kg * KG_PER_POUND, stretch: Math.log(KG_PER_POUND) }
  const kilograms = { value: kg / KG_PER_POUND, stretch: -Math.log(KG_PER_POUND) }
  const shown = Number(massIn(kg, unit).toFixed(2))
  const { hardLow, hardHigh } = limitsOf('mass')
  const meant: Meant[] = [
    { kind: 'unit', ...pounds, words: say('findings.poundsTypedKilograms') },
    { kind: 'unit', ...kilograms, words: say('findings.kilogramsTypedPounds') },
    ...[1 / 10, 10].map((by): Meant => ({
      ...{ kind: 'decimal', value: kg * by, stretch: Math.log(by) },
      words: LOOKS_LIKE.decimal,
    })),
    ...transpositionsOf(shown).map((value): Meant => ({
      ...{ kind: 'transposition', value: value * perShown },
      words: LOOKS_LIKE.transposition,
    })),
    ...otherTensOf(shown).map((value): Meant => ({
      ...{ kind: 'ten', value: value * perShown },
      words: LOOKS_LIKE.ten,
    })),
  ]
  return meant.filter(({ value }) => value >= hardLow && value <= hardHigh)
}

/**
 * A body mass in another unit, with its point moved, its digits changed about or a ten too many; or one that the record
 * does not explain at all.
 *
 * @param values girths of the sheet, cm: where no mass is on record, a waist says how heavy its owner is
 */
export function findMassError(
  context: MassContext,
  values: Partial<Record<SiteId, number>> = {},
): Finding[] {
  const { massKg, masses = [] } = context
  const waist = WAISTS.map((site) => values[site]).find((cm) => cm !== undefined)
  const usual = massByRecord(masses)
  const likelihood = massDensity(usual, context.heightCm, waist)
  if (massKg === undefined || !likelihood) return []
  const honest = likelihood(massKg)
  const ranked = massMeanings(massKg, context)
    .map((meant) => ({
      ...meant,
      support: likelihood(meant.value) + (meant.stretch ?? 0) - honest - AGAINST[meant.kind],
    }))
    .sort((a, b) => b.support - a.support)
  const odd = usual
    ? logCauchy(massKg - usual.kg, ODD_BY_KG) - honest - AGAINST['odd mass']
    : -Infinity
  const [best, next, third] = ranked
  const said = {
    mass: massAsRead(massKg, context),
    ...(usual ? { usual: massAsRead(usual.kg, context) } : {}),
  }
  const found = (finding: Omit<Finding, 'sites'>): Finding[] => [{ sites: ['mass'], ...finding }]
  if (!best || best.support <= Math.max(REPORT, odd)) {
    if (odd <= REPORT) return []
    const evidence = usual
      ? say('findings.massUnlikeUsual', said)
      : say('findings.massUnlike', said)
    return found({ kind: 'odd mass', suggestions: [], evidence, support: odd })
  }
  const close = (other: typeof next) => !!other && other.support > best.support - LEAD
  const tooMany = close(third)
  const suggestion = { site: 'mass' as const, trial: null, value: best.value }
  return found({
    ...{ kind: best.kind, support: best.support },
    suggestions: tooMany ? [] : [{ ...suggestion, ...(close(next) && { second: next!.value }) }],
    evidence: usual
      ? say('findings.massLooksLikeBeside', { ...said, what: best.words })
      : say('findings.massLooksLike', { ...said, what: best.words }),
  })
}

/**
 * Log odds against somebody else on the scale: where people measure one after another that happens once in twenty. Nothing is
 * typed, so no slip of the fingers explains a weight that a scale has sent. Judgement, no source.
 */
const AGAINST_ANOTHER = 3

/**
 * What a client usually weighs, where a body mass that a scale sent is likelier somebody else's.
 *
 * @param massKg kg
 * @param masses of the client, in any order; where there is none nothing can be told
 * @returns kg; undefined where it may well be theirs
 */
export function usualUnlike(massKg: number, masses: readonly MassBefore[]): number | undefined {
  const usual = massByRecord(masses)
  if (!usual) return undefined
  const support =
    logCauchy(massKg - usual.kg, ODD_BY_KG) - logNormal(massKg, usual.kg, usual.sd ** 2)
  return support > AGAINST_ANOTHER ? usual.kg : undefined
}

/** Adults do not change height by this much between check-ins, cm. */
const HEIGHT_SD_CM = 0.8

/** A height whose feet and inches were miscounted: 6'2" typed as 62 in, or counted as 72. */
export function findHeightError(context: EntryErrorContext): Finding[] {
  const { heightCm, lastHeightCm } = context
  if (heightCm === undefined || lastHeightCm === undefined) return []
  const inches = heightCm / CM_PER_INCH
  const likelihood = (cm: number) => logNormal(cm, lastHeightCm, 2 * HEIGHT_SD_CM ** 2)
  const meant = [
    {
      value: (Math.floor(inches / 10) * INCHES_PER_FOOT + (inches % 10)) * CM_PER_INCH,
      kind: 'unit' as const,
    },
    ...[-2, 2, -INCHES_PER_FOOT, INCHES_PER_FOOT].map((by) => ({
      value: (inches + by) * CM_PER_INCH,
      kind: 'unit' as const,
    })),
    ...transpositionsOf(heightCm).map((value) => ({ value, kind: 'transposition' as const })),
  ]
  const against = (kind: EntryErrorKind) => (kind === 'unit' ? AGAINST_MISCOUNTED : AGAINST[kind])
  const { hardLow, hardHigh } = limitsOf('height')
  const best = meant
    .filter(({ value }) => value >= hardLow && value <= hardHigh)
    .map((m) => ({ ...m, support: likelihood(m.value) - likelihood(heightCm) - against(m.kind) }))
    .sort((a, b) => b.support - a.support)[0]
  if (!best || best.support <= REPORT) return []
  return [
    {
      kind: best.kind,
      sites: ['height'],
      suggestions: [{ site: 'height', trial: null, value: best.value }],
      evidence: say('findings.heightWas', {
        heightCm: heightAsRead(heightCm, context),
        lastHeightCm: heightAsRead(lastHeightCm, context),
        kind:
          best.kind === 'unit'
            ? say('findings.feetInchesMiscounted6274')
            : say('findings.twoDigitsChangedAbout2'),
      }),
      support: best.support,
    },
  ]
}
