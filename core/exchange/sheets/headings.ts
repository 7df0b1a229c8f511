import {
  type GirthId,
  isGirth,
  isSkinfold,
  ownSiteId,
  type SiteId,
  type SkinfoldId,
  isBone,
  type BoneId,
} from '../../anatomy/ids'
import { OTHER_METHODS, type OtherMethod } from '../../change/other-methods'
import type { TypedUnit } from '../../units/parse'
import { plainName } from '../../units/plain-name'
import {
  ALSO_WORDS,
  FACT_NAMES,
  FILLERS,
  FINAL,
  FOLD_WORDS,
  GIRTH_WORDS,
  type Named,
  ORDINALS,
  SIDES,
  SITES,
  TRIAL_WORDS,
  UNITS,
} from './heading-words'
import { methodIn } from './method-words'

/** What a column says of each row besides measured sites. */
export const FACTS = [
  'client',
  'first-name',
  'last-name',
  'client-id',
  'date',
  'birth-date',
  'birth-year',
  'age',
  'sex',
  'height',
  'mass',
  'fat',
  // By another method than the folds.
  ...OTHER_METHODS.map((method) => `fat-${method}` as const),
  'equation',
  'conversion',
  'standard',
  'protocol',
  'tester',
  'tester-skill',
  'caliper',
  'caliper-graduation',
  'tape',
  'tape-graduation',
  'event',
  'cadence',
  'percentages',
  'group-term',
  'week-ends-on',
  'note',
  'site',
  'trial',
  'value',
  'unit',
  'worked-out',
  'unknown',
] as const
export type Fact = (typeof FACTS)[number]

/** The method whose share of fat a fact is. */
export const methodOfFact = (fact: string | undefined): OtherMethod | undefined =>
  OTHER_METHODS.find((method) => fact === `fat-${method}`)

/** Which of several readings of a site a column holds: one by its number from 1, or what they came to. */
export type TrialOf = number | 'all' | 'final'

/** What a column means: a fact, or a site with its trial. */
export type Meaning = { is: Fact } | { is: 'fold' | 'girth'; site: SiteId; trial: TrialOf }

/** A column's unit; % and a share of one for a share of fat. */
export type ColumnUnit = TypedUnit | '%'

/** What a heading alone tells. */
export interface Heading {
  /** Undefined where nothing in it is known. */
  fact?: Fact
  /** The sites that its words can stand for: `thigh` is a fold and a girth. */
  fold?: SkinfoldId
  girth?: GirthId | BoneId
  /** Whether its words say which of the two it is. */
  kind?: 'fold' | 'girth'
  trial: TrialOf
  /** The last one that it names is the nearest. */
  units: readonly ColumnUnit[]
  /** The side of the body, where it is named. */
  side?: 'right' | 'left'
}

/** The unit that a text names and nothing else: `mm`, `(cm)`, `lbs.`. */
export function unitIn(text: string): ColumnUnit | undefined {
  return UNITS[
    text
      .trim()
      .toLowerCase()
      .replace(/^[([]|[)\].]+$/g, '')
      .trim()
  ]
}

/** Names that files of our own have: `triceps_mm_1`, `mass_kg`. */
const OWN_NAME = /^([\p{L}\p{M}\p{N}_-]+?)_(mm|cm|in|kg|lb)(?:_(\d))?$/u

function ownHeading(text: string): Heading | undefined {
  const match = OWN_NAME.exec(text)
  if (!match) return undefined
  const [, name, unit, trial] = match as unknown as [string, string, ColumnUnit, string?]
  const of = { units: [unit], trial: trial === undefined ? ('all' as const) : Number(trial) }
  if (isSkinfold(name)) return { ...of, fold: name, kind: 'fold' }
  if (isGirth(name) || isBone(name)) return { ...of, girth: name, kind: 'girth' }
  return undefined
}

interface Words {
  left: string[]
  kind?: 'fold' | 'girth'
  trial: TrialOf
  units: ColumnUnit[]
  side?: 'right' | 'left'
}

/** Takes units, trials, sides and kinds out of the words of a heading. */
function sorted(heading: string): Words {
  const found: Words = { left: [], trial: 'all', units: [] }
  const named = heading.replace(/[([]([^)\]]*)[)\]]/g, (whole, inner: string) => {
    const unit = unitIn(inner)
    if (!unit) return whole
    found.units.push(unit)
    return ' '
  })
  const plain = wordsOf(named)
  // `triceps1` is its first reading, `wk2` none.
  const words = plain.replace(/\b([a-z]{3,})(\d)\b/g, '$1 $2').split(' ')
  for (const [i, word] of words.entries()) {
    const last = i === words.length - 1
    const unit = UNITS[word]
    if (unit && i > 0 && (last || !ALSO_WORDS.has(word))) found.units.push(unit)
    else if (unit && (!ALSO_WORDS.has(word) || words.length === 1)) found.units.push(unit)
    else if (FOLD_WORDS.has(word)) found.kind = 'fold'
    else if (GIRTH_WORDS.has(word)) found.kind = 'girth'
    else if (i > 0 && /^[1-9]$/.test(word)) found.trial = Number(word)
    else if (/^[trm]\d$/.test(word)) found.trial = Number(word[1])
    else if (ORDINALS.has(word)) found.trial = ORDINALS.get(word)!
    else if (FINAL.has(word)) found.trial = 'final'
    else {
      if (SIDES.has(word)) found.side = word.startsWith('r') ? 'right' : 'left'
      found.left.push(word)
    }
  }
  return found
}

/** The plain words of a heading, one blank between. */
const wordsOf = (heading: string): string =>
  plainName(
    heading
      .replace(/([a-z])([A-Z])/g, '$1 $2')
      .replace(/%/g, ' percent ')
      .replace(/["″]/g, ' inches ')
      .replace(/[^\p{L}\p{M}\p{N}']+/gu, ' '),
  )

/** The words as they stand, then with fewer of those that tell nothing. */
function* phrases(words: readonly string[]): Generator<string> {
  yield words.join(' ')
  const plain = words.filter((word) => !FILLERS.has(word))
  yield plain.join(' ')
  const without = plain.filter((word) => !SIDES.has(word) && !TRIAL_WORDS.has(word))
  yield without.join(' ')
  // `7 site sum`, `sum of 7`
  const lettered = without.filter(
    (word) => !/^\d+$/.test(word) && word !== 'site' && word !== 'sites',
  )
  yield lettered.join(' ')
}

/** What a heading or a label tells of what stands under or beside it. */
export function readHeading(text: string): Heading {
  // `DXA body fat (%)`, `BIA %`: by what is left without the method, which is fat or nothing at all.
  const by = methodIn(text)
  if (by && /^(?:%|percent)?$/.test(by.rest))
    return { fact: `fat-${by.method}`, trial: 'all', units: ['%'] }
  const rest = by && readWhole(by.rest)
  if (rest?.fact === 'fat') return { ...rest, fact: `fat-${by!.method}`, units: ['%'] }
  // Kilograms by another method are no fold's.
  if (rest?.fact === 'worked-out') return rest
  const heading = readWhole(text)
  if (isKnown(heading) || heading.kind || typeof heading.trial === 'number') return heading
  // `Abdomen (at navel)`, `Notes/comments`: by what comes first.
  const [shorter] = text.split(/\s*[([/,;:]/)
  return shorter && shorter !== text ? readWhole(shorter) : heading
}

function readWhole(text: string): Heading {
  const own = ownHeading(text.trim().toLowerCase())
  if (own) return own
  const whole = FACT_NAMES.get(wordsOf(text))
  if (whole) return { fact: whole, trial: 'all', units: whole === 'fat' ? ['%'] : [] }
  const { left, kind, trial, units, side } = sorted(text)
  const of = { trial, units, ...(side ? { side } : {}) }
  const unit = units.at(-1)
  const group = { ...of, ...(kind ? { kind } : {}) }
  if (left.length === 0) return unit === '%' ? { ...of, fact: 'fat' } : group
  for (const phrase of phrases(left)) {
    const fact = FACT_NAMES.get(phrase)
    const site = SITES.get(phrase)
    if (site && !(fact && unit === undefined && kind === undefined)) {
      return { ...of, ...site, ...kindOf(site, kind, unit) }
    }
    // `Trial 2` under a site is its second reading.
    if (fact === 'trial' && typeof trial === 'number') return of
    if (fact) return { ...of, fact: ofUnit(fact, unit) }
  }
  if (left.includes('sum')) return { ...of, fact: 'worked-out' }
  // A site of a coach's own, as a file of ours names it: `High calf fold (mm) 1`.
  const ofCoach =
    kind && unit && typeof trial === 'number' ? ownSiteId(kind, left.join(' ')) : undefined
  return ofCoach ? { ...group, [kind!]: ofCoach } : group
}

/** Fat in kilograms is worked out of the share, and no share; mass in per cent is no mass. */
function ofUnit(fact: Fact, unit: ColumnUnit | undefined): Fact {
  const isMass = unit === 'kg' || unit === 'lb' || unit === 'st lb'
  if (fact === 'fat' && isMass) return 'worked-out'
  return fact === 'mass' && unit === '%' ? 'worked-out' : fact
}

/** Whether a site is meant as a fold or as a girth, where its words or its unit tell. */
function kindOf(
  { fold, girth }: Named,
  kind: 'fold' | 'girth' | undefined,
  unit: ColumnUnit | undefined,
): Pick<Heading, 'kind'> {
  if (fold === undefined) return { kind: 'girth' }
  if (girth === undefined) return { kind: 'fold' }
  if (kind) return { kind }
  if (unit === 'mm') return { kind: 'fold' }
  return unit === 'cm' || unit === 'in' ? { kind: 'girth' } : {}
}

/** Whether anything in a heading is known. */
export const isKnown = ({ fact, fold, girth }: Heading): boolean =>
  fact !== undefined || fold !== undefined || girth !== undefined
