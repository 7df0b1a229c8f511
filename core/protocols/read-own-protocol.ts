import { z } from 'zod'
import {
  GIRTH_IDS,
  type GirthId,
  isGirth,
  isOwnSite,
  isSkinfold,
  LANDMARK_STANDARDS,
  type SiteId,
  SKINFOLD_IDS,
  type SkinfoldId,
} from '../anatomy/ids'
import { standardWithin } from '../anatomy/landmark-standards'
import { landmarkOf, techniquesOf } from '../anatomy/landmarks'
import { nameOf } from '../anatomy/names'
import { inputError } from '../errors'
import { type OwnProtocol, usualRules } from './own-protocol'
import { MOST_TRIALS, TRIAL_ORDERS, TRIAL_VALUES } from './trial-scheme'
import type { SiteWording } from './wording'

/** What a part of a set is called and what it may be: the words of its refusal, whatever was got. */
const says = (label: string, accepted: string) => `${label}|${accepted}`
const between = (label: string, low: number, high: number, unit = '') =>
  says(label, `${low} to ${high}${unit}`)

function scheme(of: 'Folds' | 'Girths', unit: 'mm' | 'cm') {
  const trials = (label: string) => {
    const words = between(`${of}, ${label}`, 1, MOST_TRIALS)
    return z.number(words).int(words).min(1, words).max(MOST_TRIALS, words)
  }
  const tolerance = says(`${of}, tolerance`, `0.1 to 10 ${unit}, or 0.1 to 50 %`)
  const upTo = (most: number) => z.number(tolerance).min(0.1, tolerance).max(most, tolerance)
  return z
    .object(
      {
        order: z.enum(TRIAL_ORDERS, says(`${of}, order`, TRIAL_ORDERS.join(', '))),
        count: trials('readings'),
        most: trials('readings at most'),
        tolerance: z.union(
          [
            z.object({ kind: z.literal(unit), value: upTo(10) }),
            z.object({
              kind: z.literal('percent'),
              value: upTo(50),
              atLeast: upTo(10).optional(),
            }),
          ],
          tolerance,
        ),
        value: z.enum(TRIAL_VALUES, says(`${of}, value`, TRIAL_VALUES.join(', '))),
        dropsFirst: z.boolean(says(`${of}, first reading thrown away`, 'yes or no')),
      },
      says(`How ${of.toLowerCase()} are read`, 'order, readings, tolerance and value'),
    )
    .refine(({ count, most }) => most >= count, {
      path: ['most'],
      error: says(`${of}, readings at most`, 'no fewer than the readings that are always taken'),
    })
}

const delay = between('Seconds to the reading', 1, 10, ', or none')
const text = (label: string, most: number) => {
  const words = between(label, 1, most, ' characters')
  return z.string(words).trim().min(1, words).max(most, words)
}
const wordingSchema = z.object(
  {
    name: text('Name of a site', 40).optional(),
    landmark: text('Where a site lies', 200).optional(),
    technique: text('How a site is taken', 40).optional(),
  },
  says('Words of a site', 'its name, where it lies and how it is taken'),
)

const id = says('Id', 'own- and lower-case letters, figures and dashes')
const folds = says('Folds', 'a list of sites')
const girths = says('Girths', 'a list of girths')
const ownSchema = z.object(
  {
    id: z.string(id).regex(/^own-[a-z0-9-]{1,40}$/, id),
    name: text('Name', 60),
    standard: z.enum(LANDMARK_STANDARDS, says('Landmark standard', LANDMARK_STANDARDS.join(', '))),
    folds: z.array(
      z.custom<SkinfoldId>((site) => typeof site === 'string' && isSkinfold(site), folds),
      folds,
    ),
    girths: z.array(
      z.custom<GirthId>((site) => typeof site === 'string' && isGirth(site), girths),
      girths,
    ),
    foldTrials: scheme('Folds', 'mm'),
    girthTrials: scheme('Girths', 'cm'),
    readingDelaySeconds: z.number(delay).min(1, delay).max(10, delay).nullable(),
    wording: z
      .record(z.string(), wordingSchema, says('Words of the sites', 'words by site'))
      .default({}),
  },
  says('Own protocol', 'a set of sites'),
)

/** More than a sheet has room for, and no set of any school. */
const MOST_SITES = SKINFOLD_IDS.length + GIRTH_IDS.length

/**
 * A set as it was kept before a set had its own trials: so many rounds of folds, one more where they are apart.
 *
 * @returns anything else as it is
 */
export function upgradedOwnProtocol(own: unknown): unknown {
  if (!own || typeof own !== 'object' || !('rounds' in own) || 'foldTrials' in own) return own
  const { rounds, toleranceMm, standard, ...rest } = own as {
    [key: string]: unknown
    rounds: unknown
    toleranceMm: unknown
  }
  const usual = usualRules(standard === 'int' ? 'int' : 'us')
  const count = rounds
  const several = typeof rounds === 'number' && rounds > 1
  const most = several ? rounds + 1 : rounds
  const tolerance = { kind: 'mm', value: toleranceMm }
  return {
    ...rest,
    ...usual,
    standard,
    foldTrials: { ...usual.foldTrials, count, most, tolerance },
    girthTrials: several ? usual.girthTrials : { ...usual.girthTrials, count: 1, most: 1 },
  }
}

type Known = Record<PropertyKey, unknown>

const refused = (input: string, what: string, got: unknown, accepted: string) =>
  inputError(input, 'impossible', `Own protocol${what}`, got, accepted)

/**
 * Reads a protocol of the coach's own: any sites of one landmark standard in any order, any girths, and sites of the
 * coach's own with their landmarks in words, each once.
 *
 * @param own as a form or a file has it; what is not known of it is left out
 * @throws InputError naming what is wrong: an unknown or repeated site, one that the standard does not land, or one
 *   without a landmark
 */
export function readOwnProtocol(own: unknown): OwnProtocol {
  const parsed = ownSchema.safeParse(upgradedOwnProtocol(own))
  if (!parsed.success) {
    const { path, message } = parsed.error.issues[0]!
    const [label = '', accepted = ''] = message.split('|')
    const got = path.reduce<unknown>(
      (part, key) => (part && typeof part === 'object' ? (part as Known)[key] : undefined),
      upgradedOwnProtocol(own),
    )
    const input = path.join('.') || 'protocol'
    throw inputError(input, got === undefined ? 'missing' : 'impossible', label, got, accepted)
  }
  const { standard, folds, girths } = parsed.data
  const sites: SiteId[] = [...folds, ...girths]
  if (sites.length === 0) {
    throw inputError('folds', 'missing', 'Own protocol, sites', undefined, 'one site or more')
  }
  if (sites.length > MOST_SITES) {
    throw refused('folds', ', sites', sites.length, `at most ${MOST_SITES} sites`)
  }
  for (const [input, of] of Object.entries({ folds, girths })) {
    const twice = of.find((site, i, all: readonly string[]) => all.indexOf(site) !== i)
    if (twice) throw refused(input, '', `${nameOf(twice)} twice`, 'each site once')
  }
  for (const site of folds) {
    if (!isOwnSite(site) && !landmarkOf(site, standardWithin(site, standard)!)) {
      throw inputError(
        'folds',
        'wrong-standard',
        `Own protocol, landmark standard ${standard}`,
        nameOf(site),
        'sites that this landmark standard has',
      )
    }
  }
  return { ...parsed.data, wording: readWording(parsed.data.wording, sites, standard) }
}

/** The words of the sites that the set has; those of others are left out. */
function readWording(
  sent: Readonly<Record<string, SiteWording>>,
  sites: readonly SiteId[],
  standard: OwnProtocol['standard'],
): OwnProtocol['wording'] {
  const wording: OwnProtocol['wording'] = {}
  for (const site of sites) {
    const own = Object.hasOwn(sent, site) ? sent[site]! : {}
    if (isOwnSite(site) && own.landmark === undefined) {
      const input = `wording.${site}.landmark`
      throw inputError(
        input,
        'missing',
        `${nameOf(site)}, where it lies`,
        undefined,
        'a landmark in words: no standard has this site',
      )
    }
    if (own.technique !== undefined) {
      const ways = isSkinfold(site) ? techniquesOf(site, standardWithin(site, standard)!) : []
      if (!ways.some(({ name }) => name === own.technique)) {
        const accepted = ways.map(({ name }) => name).join(', ') || 'none: there is one way'
        throw refused(`wording.${site}.technique`, `, ${nameOf(site)}`, own.technique, accepted)
      }
    }
    if (Object.values(own).some((words) => words !== undefined)) wording[site] = own
  }
  return wording
}
