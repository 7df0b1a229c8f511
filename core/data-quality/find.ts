import { isSkinfold, type SiteId } from '../anatomy/ids'
import { limitsOf, plausibility } from '../anatomy/limits'
import { nameOf } from '../anatomy/names'
import { siteError } from '../measurement-error/site-error'
import { CM_PER_INCH, INCHES_PER_FOOT, KG_PER_POUND, MM_PER_INCH } from '../units/constants'
import { fixed, formatFold } from '../units/format'
import {
  byKind,
  logNormal,
  logSumExp,
  SheetLikelihood,
  timeFactor,
  type Expectation,
  type Trials,
} from './likelihood'

export type SlipKind =
  | 'decimal'
  | 'unit'
  | 'swap'
  | 'transposition'
  | 'copy'
  | 'moved alone'
  | 'visit shift'
  | 'limit'
  | 'relation'

/** A value offered in place of one that was typed. */
export interface Offer {
  site: SiteId | 'mass' | 'height'
  /** Which trial, from 1; null where every trial of the site is meant. */
  trial: number | null
  /** mm, cm or kg. */
  value: number
}

/** Something about the readings that asks for a second look. It never blocks. */
export interface Finding {
  kind: SlipKind
  sites: (SiteId | 'mass' | 'height')[]
  /** The likely intended values; empty where there is nothing to offer but a second look. */
  offers: Offer[]
  /** What speaks for it, for the coach. */
  evidence: string
  /** Log odds that it is a slip rather than honest readings. */
  support: number
}

/** Everything that slips are judged by. */
export interface SlipContext extends Expectation {
  /** Body mass now and last time, kg. */
  massKg?: number
  lastMassKg?: number
  /** Body mass to be expected if the folds changed by this share and lean was held, kg. */
  massAt?: (change: number) => number
  heightCm?: number
  lastHeightCm?: number
  /** Readings are typed in inches. */
  inches?: boolean
}

/*
 * Prior log odds against each kind of slip, tuned by the simulation in tests/core/slips.test.ts so that honest sheets
 * are seldom questioned. Judgement, no source.
 */
const AGAINST: Record<SlipKind, number> = {
  decimal: 6,
  unit: 7,
  swap: 5.8,
  transposition: 7.5,
  copy: 7,
  'moved alone': 4.5,
  'visit shift': 6,
  limit: 0,
  relation: 0,
}

/** Where a finding is reported: even odds after the prior. */
const REPORT = 0

/** A sheet rarely holds more slips than this; it bounds the search. */
const MOST_SLIPS = 4

interface Hypothesis {
  kind: SlipKind
  sites: SiteId[]
  replaced: Map<SiteId, number[]>
  offers: Offer[]
}

/** All numbers that swapping two neighbouring digits of a typed number makes. */
export function transpositionsOf(value: number): number[] {
  const text = String(Number(value.toFixed(2)))
  if (text.startsWith('0')) return []
  const found = new Set<number>()
  const places = [...text].flatMap((sign, i) => (sign === '.' ? [] : [i]))
  for (let k = 0; k + 1 < places.length; k++) {
    const signs = [...text]
    const [a, b] = [places[k]!, places[k + 1]!]
    ;[signs[a], signs[b]] = [signs[b]!, signs[a]!]
    const other = Number(signs.join(''))
    // Nobody types a leading nought.
    if (signs[0] !== '0' && other !== value) found.add(other)
  }
  return [...found]
}

/** What one typed number may have been meant as, by kind of slip. */
function meanings(
  site: SiteId,
  typed: number,
  inches = false,
): { kind: SlipKind; value: number }[] {
  const scale = inches && !isSkinfold(site) ? CM_PER_INCH : 1
  const units = isSkinfold(site)
    ? typed <= 4
      ? [typed * MM_PER_INCH]
      : []
    : [typed * CM_PER_INCH, typed / CM_PER_INCH]
  const { hardLow, hardHigh } = limitsOf(site)
  return [
    ...[typed / 10, typed * 10].map((value) => ({ kind: 'decimal' as const, value })),
    ...units.map((value) => ({ kind: 'unit' as const, value })),
    ...transpositionsOf(typed / scale).map((value) => ({
      kind: 'transposition' as const,
      value: value * scale,
    })),
  ].filter(({ value }) => value >= hardLow && value <= hardHigh)
}

function replacedAt(values: readonly number[], index: number, value: number): number[] {
  return values.map((v, i) => (i === index ? value : v))
}

/** Every single slip that could have made the sheet what it is. */
function hypotheses(trials: Trials, context: SlipContext): Hypothesis[] {
  const found: Hypothesis[] = []
  const all = [...trials]
  for (const [site, values] of all) {
    values.forEach((typed, i) => {
      for (const { kind, value } of meanings(site, typed, context.inches)) {
        found.push({
          kind,
          sites: [site],
          replaced: new Map([[site, replacedAt(values, i, value)]]),
          offers: [{ site, trial: i + 1, value }],
        })
      }
    })
    // The same slip in every trial: the caliper's scale misread, or the unit taken wrong throughout.
    if (values.length > 1) {
      const throughout = isSkinfold(site)
        ? [0.1, 10, MM_PER_INCH]
        : [0.1, 10, CM_PER_INCH, 1 / CM_PER_INCH]
      for (const factor of throughout) {
        const meant = values.map((v) => v * factor)
        found.push({
          kind: factor === 0.1 || factor === 10 ? 'decimal' : 'unit',
          sites: [site],
          replaced: new Map([[site, meant]]),
          offers: meant.map((value, i) => ({ site, trial: i + 1, value })),
        })
      }
    }
  }
  all.forEach(([a, ofA], i) => {
    for (const [b, ofB] of all.slice(i + 1)) {
      const both = Math.min(ofA.length, ofB.length)
      const swaps = Array.from({ length: both }, (_, pass) => [pass])
      if (both > 1) swaps.push(Array.from({ length: both }, (_, pass) => pass))
      for (const passes of swaps) {
        const [forA, forB] = [[...ofA], [...ofB]]
        for (const pass of passes) [forA[pass], forB[pass]] = [forB[pass]!, forA[pass]!]
        found.push({
          kind: 'swap',
          sites: [a, b],
          replaced: new Map([
            [a, forA],
            [b, forB],
          ]),
          offers: passes.flatMap((pass) => [
            { site: a, trial: pass + 1, value: forA[pass]! },
            { site: b, trial: pass + 1, value: forB[pass]! },
          ]),
        })
      }
    }
  })
  return found
}

/** The best single explanation of a sheet by a slip, if any beats honesty. */
function bestSlip(kind: 'fold' | 'girth', trials: Trials, context: SlipContext) {
  const evidence = kind === 'fold' ? massEvidence(context) : undefined
  const sheet = new SheetLikelihood(kind, trials, context, evidence)
  const honest = sheet.asTyped()
  let best: { support: number; hypothesis: Hypothesis } | undefined
  const consider = (hypothesis: Hypothesis, likelihood: number) => {
    const support = likelihood - honest - AGAINST[hypothesis.kind]
    if (support > REPORT && (!best || support > best.support)) best = { support, hypothesis }
  }
  for (const hypothesis of hypotheses(trials, context)) {
    consider(hypothesis, sheet.corrected(hypothesis.replaced))
  }
  const neighbours = [...trials.keys()].filter((site) => context.last[site])
  // One site by itself can only be told from a common change where others stand beside it.
  if (neighbours.length >= 4) {
    for (const site of neighbours) {
      const alone: Hypothesis = {
        kind: 'moved alone',
        sites: [site],
        replaced: new Map(),
        offers: [],
      }
      consider(alone, sheet.released(site, trials.get(site)!))
    }
  }
  return best
}

const LEAN_SWING_KG = 1
const MASS_SWING_KG = 0.85

/** What the change in body mass says about the common change of the folds. */
function massEvidence({ massAt, massKg, weeks }: SlipContext) {
  if (!massAt || massKg === undefined) return undefined
  const variance = MASS_SWING_KG ** 2 + (LEAN_SWING_KG * timeFactor(weeks)) ** 2
  return (change: number) => logNormal(massKg, massAt(change), variance)
}

function evidenceOf(
  { kind, sites, offers }: Hypothesis,
  trials: Trials,
  { last }: SlipContext,
): string {
  const names = sites.map(nameOf)
  const lastOf = (site: SiteId) => (last[site] ? `${formatFold(last[site].value)} last time` : '')
  const typed = offers[0] && trials.get(sites[0]!)![(offers[0].trial ?? 1) - 1]!
  const context = [
    lastOf(sites[0]!),
    ...(trials.get(sites[0]!)!.length > 1
      ? [`trials ${trials.get(sites[0]!)!.map(formatFold).join(', ')}`]
      : []),
  ]
    .filter(Boolean)
    .join(', ')
  switch (kind) {
    case 'swap':
      return `${names[0]} and ${names[1]} look swapped: each fits the other's last value better than its own.`
    case 'moved alone':
      return `${names[0]} moved by itself (${lastOf(sites[0]!)}), its neighbours did not: look at the mark again.`
    case 'decimal':
      return `${names[0]} ${short(typed!)} looks like a decimal point lost or moved (${context}).`
    case 'unit':
      return `${names[0]} ${short(typed!)} looks like another unit (${context}).`
    default:
      return `${names[0]} ${short(typed!)} looks like two digits changed about (${context}).`
  }
}

function short(value: number): string {
  return String(Number(value.toFixed(2)))
}

/** Slips of one kind of sheet, found one after another: each is put right before the next is looked for. */
function slipsIn(
  kind: 'fold' | 'girth',
  typed: Map<SiteId, readonly number[]>,
  context: SlipContext,
): Finding[] {
  const findings: Finding[] = []
  let trials: Trials = typed
  const settled = new Set<SiteId>()
  while (findings.length < MOST_SLIPS) {
    const rest = new Map([...trials].filter(([site]) => !settled.has(site)))
    if (rest.size === 0) break
    const best = bestSlip(kind, rest, context)
    if (!best) break
    const { hypothesis, support } = best
    findings.push({
      kind: hypothesis.kind,
      sites: hypothesis.sites,
      offers: hypothesis.offers,
      evidence: evidenceOf(hypothesis, rest, context),
      support,
    })
    if (hypothesis.kind === 'moved alone') settled.add(hypothesis.sites[0]!)
    else trials = new Map([...trials, ...hypothesis.replaced])
  }
  return findings
}

/** Log probability that two readings of a step fall on the same graduation by chance. */
function logSame(variance: number, step: number): number {
  return Math.min(-0.1, Math.log(step / Math.sqrt(2 * Math.PI * variance)))
}

const STEP_MM = 0.5
const STEP_CM = 0.5
const FEWEST_COPIED = 4

/** A value copied: all trials the same at every site, or a whole visit equal to the last one. */
function findCopies(trials: Trials, { hand, last }: SlipContext): Finding[] {
  const step = (site: SiteId) => (isSkinfold(site) ? (hand.graduation?.mm ?? STEP_MM) : STEP_CM)
  const sites = [...trials.keys()]
  const found: Finding[] = []
  const report = (chance: number, evidence: string) => {
    const support = -chance - AGAINST.copy
    if (support > REPORT) found.push({ kind: 'copy', sites, offers: [], evidence, support })
  }
  const paired = [...trials].filter(([, values]) => values.length > 1)
  if (paired.length >= FEWEST_COPIED && paired.length === sites.length) {
    if (paired.every(([, values]) => values.every((v) => v === values[0]))) {
      const chance = paired.reduce(
        (sum, [site]) => sum + logSame(2 * siteError(site, hand).repeat ** 2, step(site)),
        0,
      )
      report(
        chance,
        'Every trial equals the first at every site: was the second pass measured, or copied?',
      )
    }
  }
  const compared = [...trials].filter(([site]) => last[site])
  if (compared.length >= FEWEST_COPIED && compared.length === sites.length) {
    const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length
    if (compared.every(([site, values]) => Math.abs(mean(values) - last[site]!.value) < 1e-9)) {
      const chance = compared.reduce((sum, [site]) => {
        const { repeat, remark } = siteError(site, hand)
        return sum + logSame(2 * (repeat ** 2 + remark ** 2), step(site))
      }, 0)
      report(chance, 'The whole sheet equals last time: were these measured, or copied?')
    }
  }
  return found
}

/** Another caliper, tester or time of day shifts every site one way while body mass does not follow. */
const SHIFT_SD = 0.12

function findShift(trials: Trials, context: SlipContext): Finding[] {
  const evidence = massEvidence(context)
  if (!evidence || trials.size < FEWEST_COPIED) return []
  const moves = [...trials].flatMap(([site, values]) => {
    const last = context.last[site]?.value
    return last === undefined ? [] : [values.reduce((a, b) => a + b, 0) / values.length / last - 1]
  })
  if (moves.length < trials.size) return []
  if (!(moves.every((m) => m > 0) || moves.every((m) => m < 0))) return []
  const together = new SheetLikelihood('fold', trials, context, evidence).asTyped()
  const sheet = new SheetLikelihood(
    'fold',
    trials,
    context,
    (c) => logNormal(c, -0.03, 0.08 ** 2 + SHIFT_SD ** 2) - logNormal(c, -0.03, 0.08 ** 2),
  )
  const massAlone =
    logSumExp(sheet.grid.map((c) => evidence(c) + logNormal(c, -0.03, 0.08 ** 2))) +
    Math.log(sheet.grid[1]! - sheet.grid[0]!)
  const support = sheet.asTyped() + massAlone - together - AGAINST['visit shift']
  if (support <= REPORT) return []
  const way = moves[0]! > 0 ? 'more' : 'less'
  return [
    {
      kind: 'visit shift',
      sites: [...trials.keys()],
      offers: [],
      evidence: `Every site reads ${way} than last time, and body mass does not follow: another caliper, tester or time of day?`,
      support,
    },
  ]
}

const MASS_SHARE_SD = 0.035

/** A body mass in another unit, with its point moved or its digits changed about. */
export function findMassSlip({ massKg, lastMassKg, heightCm, weeks }: SlipContext): Finding[] {
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
  const meant: { kind: SlipKind; value: number; words: string }[] = [
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
  const against = lastMassKg === undefined ? '' : ` (${fixed(lastMassKg, 1)} kg last time)`
  return [
    {
      kind: best.kind,
      sites: ['mass'],
      offers: [{ site: 'mass', trial: null, value: best.value }],
      evidence: `Body mass ${short(massKg)} kg looks like ${best.words}${against}.`,
      support: best.support,
    },
  ]
}

/** Adults do not change height by this much between check-ins, cm. */
const HEIGHT_SD_CM = 0.8

/** A height whose feet and inches were miscounted: 6'2" typed as 62 in, or counted as 72. */
export function findHeightSlip({ heightCm, lastHeightCm }: SlipContext): Finding[] {
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
      offers: [{ site: 'height', trial: null, value: best.value }],
      evidence: `Height ${fixed(heightCm, 1)} cm was ${fixed(lastHeightCm, 1)} cm: ${
        best.kind === 'unit'
          ? 'feet and inches miscounted? (6\'2" is 74 in.)'
          : 'two digits changed about?'
      }`,
      support: best.support,
    },
  ]
}

const BEYOND_ERROR = 2

/** Values outside the soft limits that were inside last time by more than the error explains, or are seen first. */
function findLimits(trials: Trials, { sex, last, hand }: SlipContext): Finding[] {
  return [...trials].flatMap(([site, values]): Finding[] => {
    const value = values.reduce((a, b) => a + b, 0) / values.length
    if (plausibility(site, value, sex) !== 'unusual') return []
    const before = last[site]
    if (before) {
      if (plausibility(site, before.value, sex) === 'unusual') return []
      const { repeat, remark } = siteError(site, hand)
      const explained =
        BEYOND_ERROR * Math.sqrt(2 * (repeat ** 2 + remark ** 2) + (0.1 * before.value) ** 2)
      if (Math.abs(value - before.value) <= explained) return []
    }
    return [
      {
        kind: 'limit',
        sites: [site],
        offers: [],
        evidence: `${nameOf(site)} ${fixed(value, 1)} is unusual: take a second look at site and number.`,
        support: 0,
      },
    ]
  })
}

/** Girths, mass and height that hardly go together. Soft: a second look, never a refusal. */
export function findRelations(
  values: Partial<Record<SiteId, number>>,
  body: { massKg?: number; heightCm?: number } = {},
): Finding[] {
  const { waist, abdomen, hip, neck, upper_arm_flexed: flexed, upper_arm_relaxed: relaxed } = values
  const { calf_girth: calf, thigh_girth: thigh } = values
  const { massKg, heightCm } = body
  const found: Finding[] = []
  const ask = (when: boolean | undefined, sites: Finding['sites'], evidence: string) => {
    if (when) found.push({ kind: 'relation', sites, offers: [], evidence, support: 0 })
  }
  const has = (...all: (number | undefined)[]) => all.every((v) => v !== undefined)
  ask(
    has(waist, abdomen) && waist! > abdomen! + 1,
    ['waist', 'abdomen'],
    'The waist is more than 1 cm over the abdomen: the waist is the narrowest.',
  )
  ask(
    has(waist, hip) && (waist! / hip! < 0.55 || waist! / hip! > 1.35),
    ['waist', 'hip'],
    'Waist over hip is unusual: were the two changed about?',
  )
  ask(has(neck, waist) && neck! >= waist!, ['neck', 'waist'], 'The neck is at or over the waist.')
  ask(
    has(flexed, relaxed) && flexed! < relaxed!,
    ['upper_arm_flexed', 'upper_arm_relaxed'],
    'The flexed arm is under the relaxed one.',
  )
  ask(
    has(calf, thigh) && calf! > thigh!,
    ['calf_girth', 'thigh_girth'],
    'The calf is over the thigh.',
  )
  if (massKg !== undefined && heightCm !== undefined) {
    const bmi = massKg / (heightCm / 100) ** 2
    ask(
      bmi < 15 || bmi > 55,
      ['mass', 'height'],
      `Body mass and height give a BMI of ${fixed(bmi, 1)}: look at both again.`,
    )
  }
  return found
}

/**
 * What asks for a second look in a sheet, as far as it is filled: slips of the hand with the value that was likely
 * meant, copies, a site that moved alone, a visit that shifted as a whole, limits newly crossed, relations that do not
 * hold. By likelihood: a correction is offered when it makes the sheet more likely by more than slips are rare.
 * Judgement, no published method; how often it is right is in docs/how-it-computes.md.
 *
 * @param trials typed values of each site in the order they were taken; mm for folds, cm for girths
 * @returns the strongest first; empty for most honest sheets
 */
export function findSlips(trials: Trials, context: SlipContext): Finding[] {
  const kinds = byKind(trials)
  const mass = findMassSlip(context)
  // A body mass that is a slip itself must not testify about the folds.
  const trusted: SlipContext = mass.length ? { ...context, massKg: undefined } : context
  const slips = [...slipsIn('fold', kinds.fold, trusted), ...slipsIn('girth', kinds.girth, trusted)]
  const means = Object.fromEntries(
    [...trials].map(([site, v]) => [site, v.reduce((a, b) => a + b, 0) / v.length]),
  )
  const slipped = new Set(slips.flatMap((s) => s.sites))
  const whole = slips.length
    ? []
    : [...findCopies(kinds.fold, context), ...findShift(kinds.fold, trusted)]
  return [
    ...mass,
    ...findHeightSlip(context),
    ...slips,
    ...whole,
    ...findLimits(trials, context).filter((f) => !f.sites.some((s) => slipped.has(s))),
    ...findRelations(means, mass.length ? { heightCm: context.heightCm } : context),
  ].sort((a, b) => b.support - a.support)
}
