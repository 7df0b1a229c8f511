import { limitsOf } from '../anatomy/limits'
import {
  AGAINST,
  type EntryErrorContext,
  type EntryErrorKind,
  type Finding,
  REPORT,
  heightAsRead,
  massAsRead,
} from './finding'
import { transpositionsOf } from './hypotheses'
import { logNormal, timeFactor } from './likelihood'
import { MASS_SWING_KG } from './mass-evidence'
import { CM_PER_INCH, INCHES_PER_FOOT, KG_PER_POUND } from '../units/constants'

const MASS_SHARE_SD = 0.035

/** A body mass in another unit, with its point moved or its digits changed about. */
export function findMassError(context: EntryErrorContext): Finding[] {
  const { massKg, lastMassKg, heightCm, weeks } = context
  if (massKg === undefined) return []
  const likelihood = (kg: number) => {
    if (lastMassKg !== undefined) {
      const sd = MASS_SHARE_SD * lastMassKg * timeFactor(weeks)
      return logNormal(kg, lastMassKg, sd ** 2 + MASS_SWING_KG ** 2)
    }
    if (heightCm !== undefined) return logNormal(kg / (heightCm / 100) ** 2, 26, 7 ** 2)
    return 0
  }
  const honest = likelihood(massKg)
  const { hardLow, hardHigh } = limitsOf('mass')
  const meant: { kind: EntryErrorKind; value: number; words: string }[] = [
    { kind: 'unit', value: massKg * KG_PER_POUND, words: 'pounds typed as kilograms' },
    { kind: 'unit', value: massKg / KG_PER_POUND, words: 'kilograms typed as pounds' },
    ...[massKg / 10, massKg * 10].map((value) => ({
      kind: 'decimal' as const,
      value,
      words: 'a decimal point lost or moved',
    })),
    ...transpositionsOf(massKg).map((value) => ({
      kind: 'transposition' as const,
      value,
      words: 'two digits changed about',
    })),
  ]
  const best = meant
    .filter(({ value }) => value >= hardLow && value <= hardHigh)
    .map((m) => ({ ...m, support: likelihood(m.value) - honest - AGAINST[m.kind] }))
    .sort((a, b) => b.support - a.support)[0]
  if (!best || best.support <= REPORT) return []
  const against = lastMassKg === undefined ? '' : ` (${massAsRead(lastMassKg, context)} last time)`
  return [
    {
      kind: best.kind,
      sites: ['mass'],
      suggestions: [{ site: 'mass', trial: null, value: best.value }],
      evidence: `Body mass ${massAsRead(massKg, context)} looks like ${best.words}${against}.`,
      support: best.support,
    },
  ]
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
  const { hardLow, hardHigh } = limitsOf('height')
  const best = meant
    .filter(({ value }) => value >= hardLow && value <= hardHigh)
    .map((m) => ({ ...m, support: likelihood(m.value) - likelihood(heightCm) - AGAINST[m.kind] }))
    .sort((a, b) => b.support - a.support)[0]
  if (!best || best.support <= REPORT) return []
  return [
    {
      kind: best.kind,
      sites: ['height'],
      suggestions: [{ site: 'height', trial: null, value: best.value }],
      evidence: `Height ${heightAsRead(heightCm, context)} was ${heightAsRead(lastHeightCm, context)}: ${
        best.kind === 'unit'
          ? 'feet and inches miscounted? (6\'2" is 74 in.)'
          : 'two digits changed about?'
      }`,
      support: best.support,
    },
  ]
}
