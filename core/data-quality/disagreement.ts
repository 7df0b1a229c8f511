import { say, figures, listed, lower } from '../say'
import { type SiteId, WAISTS, isSkinfold } from '../anatomy/ids'
import { nameOf } from '../anatomy/names'
import { type EntryErrorContext, type Finding, asRead, unitOf } from './finding'
import { worseThanUsual } from './hand'
import { type Trials, repeatAt } from './likelihood'
import { CM_PER_INCH } from '../units/constants'
import { fixed, lengthText } from '../units/format'
import { bmiOf } from '../units/bmi'

/** Readings of one site from which it is said that they disagree; two apart ask for a third by the protocol. */
const READINGS = 3
/** Repeat errors that the readings span, and that the two nearest are apart, before it is said. Judgement. */
const SPAN = 6
const NEAREST = 3

/** Sites whose readings do not settle anywhere: no slip of the hand, but to be measured again. */
export function findApart(trials: Trials, context: EntryErrorContext): Finding[] {
  return [...trials].flatMap(([site, values]): Finding[] => {
    if (values.length < READINGS) return []
    const sorted = [...values].sort((a, b) => a - b)
    // Where the other sites scatter as much, it is the hand and not this site.
    const others = new Map([...trials].filter(([other]) => other !== site))
    const repeat = repeatAt(site, sorted[1]!, context) * worseThanUsual(others, context)
    const gaps = sorted.slice(1).map((value, i) => value - sorted[i]!)
    const span = sorted.at(-1)! - sorted[0]!
    if (span <= SPAN * repeat || Math.min(...gaps) <= NEAREST * repeat) return []
    const taken = listed(values.map((value) => asRead(site, value, context)))
    return [
      {
        kind: 'apart',
        sites: [site],
        suggestions: [],
        evidence: say('findings.readingsApartMeasureAgain', {
          site: nameOf(site),
          count: values.length,
          span: asRead(site, span, context),
          unit: unitOf(site, context),
          taken,
        }),
        support: span / repeat - SPAN,
      },
    ]
  })
}

/** A change of a girth that a body does not make in a week, cm: half an inch. Common practice, no source. */
const JUMP_CM = CM_PER_INCH / 2
const SOON_WEEKS = 1
const DAYS_A_WEEK = 7

/** Girths that moved by half an inch within a week: the tape was somewhere else, more likely than the body changed. */
export function findGirthJumps(trials: Trials, context: EntryErrorContext): Finding[] {
  const { last, weeks, units } = context
  if (weeks === undefined || weeks > SOON_WEEKS) return []
  return [...trials].flatMap(([site, values]): Finding[] => {
    const before = last[site]
    if (isSkinfold(site) || !before || values.length === 0) return []
    const now = values.reduce((a, b) => a + b, 0) / values.length
    const change = now - before.value
    // What was typed as half an inch is half an inch.
    if (Math.abs(change) < JUMP_CM - 1e-6) return []
    const days = Math.round(weeks * DAYS_A_WEEK)
    const unit = units?.length ?? 'cm'
    return [
      {
        kind: 'girth jump',
        sites: [site],
        suggestions: [],
        evidence: say('findings.tapeSameHeight', {
          site: nameOf(site),
          change: figures(lengthText(Math.abs(change), unit)),
          unit,
          change2: change > 0 ? say('findings.more') : say('findings.less'),
          days: days === 1 ? say('findings.yesterday') : say('findings.daysAgo', { days }),
        }),
        support: Math.abs(change) / JUMP_CM - 1,
      },
    ]
  })
}

/**
 * Conicity index: waist over the girth of a cylinder of the same mass and height. 1 is the cylinder; people are between
 * 1.0 and 1.73. Valdez R, J Clin Epidemiol 1991;44:955-956 (from memory).
 */
export function conicity(waistCm: number, massKg: number, heightCm: number): number {
  return waistCm / 100 / (0.109 * Math.sqrt(massKg / (heightCm / 100)))
}

/** Outside these a waist does not go with the mass and the height. Judgement. */
const LEAST_CONICITY = 0.9
const MOST_CONICITY = 1.6

/** Body mass, height and waist that contradict one another: one of the three is wrong. */
export function findBodyContradiction(
  values: Partial<Record<SiteId, number>>,
  { massKg, heightCm, units }: EntryErrorContext,
): Finding[] {
  if (massKg === undefined || heightCm === undefined) return []
  const site = WAISTS.find((waist) => values[waist] !== undefined)
  if (!site) return []
  const waist = values[site]!
  const index = conicity(waist, massKg, heightCm)
  if (index >= LEAST_CONICITY && index <= MOST_CONICITY) return []
  const bmi = fixed(bmiOf(massKg, heightCm), 1)
  const unit = units?.length ?? 'cm'
  return [
    {
      kind: 'relation',
      sites: [site, 'mass', 'height'],
      suggestions: [],
      evidence: say('findings.bmiContradictEachOtherLook', {
        bmi,
        site: lower(nameOf(site)),
        waist: figures(lengthText(waist, unit)),
        unit,
      }),
      support: 0,
    },
  ]
}
