import { type Message, say, listed, lower, type Words } from '../say'
import { z } from 'zod'
import {
  BONE_IDS,
  type BoneId,
  GIRTH_IDS,
  type GirthId,
  isBone,
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

/** What a part of a set is called and what it may be, by the name under which a refusal gives it. */
const SAYINGS: { label: Words; accepted: Words }[] = []
/** Keeps the words of a refusal, whatever was got: a schema says texts alone, so it says which they are. */
const says = (label: Words, accepted: Words) => String(SAYINGS.push({ label, accepted }) - 1)
const between = (label: Words, low: number, high: number) =>
  says(label, say('protocols.to', { low, high }))

function scheme(of: Message, unit: 'mm' | 'cm') {
  const part = (label: Message) => listed([of, label])
  const trials = (label: Message) => {
    const words = between(part(label), 1, MOST_TRIALS)
    return z.number(words).int(words).min(1, words).max(MOST_TRIALS, words)
  }
  const tolerance = says(part(say('protocols.tolerance')), say('protocols.n011001', { unit }))
  const upTo = (most: number) => z.number(tolerance).min(0.1, tolerance).max(most, tolerance)
  return z
    .object(
      {
        order: z.enum(TRIAL_ORDERS, says(part(say('protocols.order')), TRIAL_ORDERS.join(', '))),
        count: trials(say('protocols.readings')),
        most: trials(say('protocols.readingsMost')),
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
        value: z.enum(TRIAL_VALUES, says(part(say('protocols.value')), TRIAL_VALUES.join(', '))),
        dropsFirst: z.boolean(
          says(part(say('protocols.firstReadingThrownAway')), say('protocols.yes')),
        ),
      },
      says(
        say('protocols.howRead', { of: lower(of) }),
        say('protocols.orderReadingsToleranceValue'),
      ),
    )
    .refine(({ count, most }) => most >= count, {
      path: ['most'],
      error: says(part(say('protocols.readingsMost')), say('protocols.fewerReadingsAlwaysTaken')),
    })
}

const delay = says(say('protocols.secondsReading'), say('protocols.toOrNone', { low: 1, high: 10 }))
const text = (label: Message, most: number) => {
  const words = says(label, say('protocols.characters', { low: 1, high: most }))
  return z.string(words).trim().min(1, words).max(most, words)
}
const wordingSchema = z.object(
  {
    name: text(say('protocols.nameSite'), 40).optional(),
    landmark: text(say('protocols.whereSiteLies'), 200).optional(),
    technique: text(say('protocols.howSiteTaken'), 40).optional(),
  },
  says(say('protocols.wordsSite'), say('protocols.nameWhereLiesHowTaken')),
)

const id = says(say('protocols.id'), say('protocols.ownLowerCaseLettersFigures'))
const folds = says(say('protocols.folds'), say('protocols.listSites'))
const girths = says(say('protocols.girths'), say('protocols.listGirths'))
const bones = says(say('protocols.bones'), say('protocols.listBones'))
const ownSchema = z.object(
  {
    id: z.string(id).regex(/^own-[a-z0-9-]{1,40}$/, id),
    name: text(say('protocols.name'), 60),
    standard: z.enum(
      LANDMARK_STANDARDS,
      says(say('protocols.landmarkStandard'), LANDMARK_STANDARDS.join(', ')),
    ),
    folds: z.array(
      z.custom<SkinfoldId>((site) => typeof site === 'string' && isSkinfold(site), folds),
      folds,
    ),
    girths: z.array(
      z.custom<GirthId>((site) => typeof site === 'string' && isGirth(site), girths),
      girths,
    ),
    bones: z
      .array(
        z.custom<BoneId>((site) => typeof site === 'string' && isBone(site), bones),
        bones,
      )
      .optional(),
    foldTrials: scheme(say('protocols.folds'), 'mm'),
    girthTrials: scheme(say('protocols.girths'), 'cm'),
    readingDelaySeconds: z.number(delay).min(1, delay).max(10, delay).nullable(),
    wording: z
      .record(
        z.string(),
        wordingSchema,
        says(say('protocols.wordsSites'), say('protocols.wordsSite2')),
      )
      .default({}),
  },
  says(say('protocols.ownProtocol'), say('protocols.setSites')),
)

/** More than a sheet has room for, and no set of any school. */
const MOST_SITES = SKINFOLD_IDS.length + GIRTH_IDS.length + BONE_IDS.length

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

/** Of what the schema refuses in words of its own. */
const UNSAID = { label: say('protocols.ownProtocol'), accepted: say('protocols.setSites') }

const refused = (input: string, of: Words | undefined, got: unknown, accepted: Words) => {
  const own = say('protocols.ownProtocol')
  return inputError(input, 'impossible', of === undefined ? own : listed([own, of]), got, accepted)
}

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
    const { label, accepted } = SAYINGS[Number(message)] ?? UNSAID
    const got = path.reduce<unknown>(
      (part, key) => (part && typeof part === 'object' ? (part as Known)[key] : undefined),
      upgradedOwnProtocol(own),
    )
    const input = path.join('.') || 'protocol'
    throw inputError(input, got === undefined ? 'missing' : 'impossible', label, got, accepted)
  }
  const { standard, folds, girths, bones = [] } = parsed.data
  const sites: SiteId[] = [...folds, ...girths, ...bones]
  if (sites.length === 0) {
    throw inputError(
      'folds',
      'missing',
      say('protocols.ownProtocolSites'),
      undefined,
      say('protocols.oneSiteMore'),
    )
  }
  if (sites.length > MOST_SITES) {
    throw refused(
      'folds',
      say('protocols.sites'),
      sites.length,
      say('protocols.mostSites', { mostSites: MOST_SITES }),
    )
  }
  for (const [input, of] of Object.entries({ folds, girths, bones })) {
    const twice = of.find((site, i, all: readonly string[]) => all.indexOf(site) !== i)
    if (twice)
      throw refused(
        input,
        undefined,
        say('protocols.twice', { site: nameOf(twice) }),
        say('protocols.eachSiteOnce'),
      )
  }
  for (const site of folds) {
    if (!isOwnSite(site) && !landmarkOf(site, standardWithin(site, standard)!)) {
      throw inputError(
        'folds',
        'wrong-standard',
        say('protocols.ownProtocolLandmarkStandard', { standard }),
        nameOf(site),
        say('protocols.sitesLandmarkStandardHas'),
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
        say('protocols.whereLies', { site: nameOf(site) }),
        undefined,
        say('protocols.landmarkWordsStandardHasSite'),
      )
    }
    if (own.technique !== undefined) {
      const ways = isSkinfold(site) ? techniquesOf(site, standardWithin(site, standard)!) : []
      if (!ways.some((way) => way.id === own.technique)) {
        const accepted = ways.length
          ? listed(ways.map(({ name }) => name))
          : say('protocols.noneThereOneWay')
        throw refused(`wording.${site}.technique`, nameOf(site), own.technique, accepted)
      }
    }
    if (Object.values(own).some((words) => words !== undefined)) wording[site] = own
  }
  return wording
}
