import type { Sex, SkinfoldId } from '../anatomy/ids'
import { namesOf } from '../anatomy/names'
import { countsAge } from '../equations/age'
import { equationById } from '../equations/registry'
import { PROTOCOLS, sitesOf } from './registry'
import type { Protocol } from './types'

/** What the screening says that bears on measuring. */
export type Flag =
  | 'pregnant'
  | 'recently pregnant'
  | 'six weeks after birth'
  | 'breastfeeding'
  | 'eating disorder'
  | 'periods or stress injury'
  | 'insulin'
  | 'kidney disease'
  | 'no guardian consent'
  | 'skin or surgery at the sites'
  | 'oedema'
  | 'bleeding tendency'
  | 'illness or medicines'
  | 'no undressing'

export type Instrument = 'caliper' | 'tape' | 'scale' | 'height'

export interface Candidate {
  sex: Sex
  /** Completed years, where they are known. */
  ageYears?: number
  /** The least they may be, where only the year of birth is known. */
  leastAgeYears?: number
  training: 'untrained' | 'recreational' | 'athlete' | 'physique'
  build: 'very lean' | 'usual' | 'overweight' | 'very overweight'
  flags: Flag[]
  instruments: Instrument[]
  /** The folds that surgery or broken skin keeps one from; left out where it may be any of them. */
  closedSites?: readonly SkinfoldId[]
  /** The protocol of the last check-in, and whether another tester took it. */
  last?: { protocolId: string; anotherTester?: boolean }
}

export interface Advice {
  protocol: Protocol
  /** The equation to read it by; undefined where only a record is kept. */
  equationId: string | undefined
  /** Why, in a sentence. */
  reason: string
}

export interface Warned {
  protocol: Protocol
  /** Why not, in a sentence. */
  reason: string
}

export interface Recommendation {
  /** Best first; empty where measuring waits. */
  advice: Advice[]
  not: Warned[]
  /** What to do before any fold, in sentences. */
  cautions: string[]
}

/* Weights of the ranking. Judgement: continuity outweighs everything that is not an exclusion. */
const CONTINUITY = 100
const FIT = 30
const OVER_AGE = 25
const COMMON_PRACTICE = 20
const FEWER_SITES = 2
const FAR_OVER_YEARS = 10

/** Under it a guardian consents and no deficit is planned, years. */
export const ADULT = 18

/** Of whom nothing is known is taken for an adult, and it is said. */
export const isMinor = ({
  ageYears,
  leastAgeYears = ageYears,
}: Pick<Candidate, 'ageYears' | 'leastAgeYears'>): boolean =>
  leastAgeYears !== undefined && leastAgeYears < ADULT

interface Rule {
  applies: boolean
  caution: string
}

/** Reasons to wait that no protocol gets round. The usual cautions; local rules come first. */
function deferrals(client: Candidate): string[] {
  const { flags } = client
  const rules: Rule[] = [
    {
      applies: (['pregnant', 'six weeks after birth', 'recently pregnant'] as const).some((flag) =>
        flags.includes(flag),
      ),
      caution:
        'Wait: no body composition is estimated in pregnancy or the months after. Questions of weight and diet belong to the midwife or physician.',
    },
    {
      applies: flags.includes('eating disorder'),
      caution:
        'Wait: with an eating disorder now or suspected, offer other goals than body fat and refer to a licensed professional.',
    },
    {
      applies: isMinor(client) && flags.includes('no guardian consent'),
      caution: 'Wait: under 18 a guardian consents first.',
    },
  ]
  return rules.filter((r) => r.applies).map((r) => r.caution)
}

/** Reasons to leave the folds alone. */
function foldObstacle(
  { flags, instruments, build, closedSites }: Candidate,
  folds: readonly SkinfoldId[],
): string | undefined {
  if (!instruments.includes('caliper')) return 'There is no caliper at hand.'
  if (build === 'very overweight') {
    return 'Folds lose accuracy on the very overweight, and may not fit the jaws: use girths, mass and BMI.'
  }
  if (flags.includes('skin or surgery at the sites')) {
    const closed = closedSites && folds.filter((fold) => closedSites.includes(fold))
    const over = closed?.length ? ` Here: ${namesOf(closed)}.` : ''
    if (!closed || over) {
      return `No folds over surgery, implants, a stoma, or broken or irritated skin.${over}`
    }
  }
  if (flags.includes('oedema')) return 'Edema or lymphedema makes folds meaningless.'
  if (flags.includes('bleeding tendency'))
    return 'With a bleeding tendency the pinch may bruise: use the tape.'
  if (flags.includes('no undressing')) return 'The sites cannot be reached in these clothes.'
  return undefined
}

/** The reason why a protocol is out for this client, or undefined. */
function exclusion(protocol: Protocol, client: Candidate): string | undefined {
  const { sex, ageYears, instruments } = client
  if (protocol.folds[sex].length > 0) {
    const obstacle = foldObstacle(client, protocol.folds[sex])
    if (obstacle) return obstacle
  }
  if (protocol.girths[sex].length > 0 && !instruments.includes('tape'))
    return 'There is no tape at hand.'
  const lead = protocol.equations[sex][0]
  if (lead === undefined) return undefined
  const variant = equationById(lead).variants.find((v) => v.sex === sex)!
  const { ages, needs } = variant
  if (ageYears === undefined && countsAge(variant))
    return 'Its equation counts age: a year of birth on record is enough.'
  if (ages && ageYears !== undefined && ageYears < ages.youngest)
    return `Its equation starts at ${ages.youngest} years.`
  if (isMinor(client) && protocol.id !== 'youth')
    return 'Under 18 only an equation for youth is used.'
  if (protocol.id === 'youth' && !isMinor(client)) return 'It is for 8 to 17 years.'
  if (protocol.id === 'very-overweight' && client.build !== 'very overweight') {
    return 'Its equations come from people with obesity and over-read everybody else.'
  }
  if (needs.includes('massKg') && !instruments.includes('scale'))
    return 'There is no scale at hand, and its equation wants body mass.'
  if (needs.includes('heightCm') && !instruments.includes('height'))
    return 'The height is not known, and its equation wants it.'
  if (protocol.id === 'nine-fold' && client.last?.protocolId !== protocol.id) {
    return 'Its ratio has no source and no ages: it is there to be chosen, and not to be advised.'
  }
  return undefined
}

/** How well a protocol suits a client who may use it, and the sentence for it. */
function fit(protocol: Protocol, client: Candidate): { score: number; reason: string } {
  const { sex, ageYears, training, build, last } = client
  const lead = protocol.equations[sex][0]
  const equation = lead === undefined ? undefined : equationById(lead)
  const variant = equation?.variants.find((v) => v.sex === sex)
  const sites = sitesOf(protocol, sex)
  let score = sites.length / FEWER_SITES
  let reason = protocol.when

  if (!variant) score -= FIT
  if (variant?.grade === 'common practice') score -= COMMON_PRACTICE
  const suits: Record<string, boolean> = {
    'seven-fold': training !== 'athlete' && build !== 'very overweight',
    'eight-fold-int': training === 'athlete',
    'very-overweight': build === 'very overweight',
    youth: isMinor(client),
    'tape-only': !client.instruments.includes('caliper'),
  }
  if (suits[protocol.id]) score += FIT
  if (build === 'very lean' && protocol.folds[sex].length >= 7) {
    score += FIT / 2
    reason = `${protocol.when} On the very lean follow the sum of folds rather than the percentage.`
  }
  const oldest = variant?.ages?.oldest
  if (oldest !== undefined && ageYears !== undefined && ageYears > oldest) {
    // A few years over are less of a stretch than twenty.
    score -= (OVER_AGE + FIT) * Math.min(1, (ageYears - oldest) / FAR_OVER_YEARS)
    if (protocol.id === 'four-fold-dw') score += FIT
    reason = `${protocol.when} Its equation is over its oldest age here (${oldest}): an extrapolation.`
  } else if (protocol.id === 'four-fold-dw' && ageYears !== undefined && ageYears > 55) {
    score += FIT
    reason = `Its equation reaches to ${oldest} years, further than the others.`
  }
  if (last?.protocolId === protocol.id) {
    score += CONTINUITY
    reason = last.anotherTester
      ? 'The same as last time, so that the check-ins can be compared; another tester took that one, so the first change carries one and a half times the error.'
      : 'The same as last time, so that the check-ins can be compared.'
  }
  return { score, reason }
}

/**
 * Ranks the protocols for a client. Cautions, missing instruments and domains exclude first; then continuity with the
 * last check-in weighs most, then how the set suits the person. Judgement after the usual cautions of the field; the
 * coach decides, and diagnosis belongs to licensed practice.
 *
 * @returns the ranked advice with a reason each, what not to use and why, and what to do before any fold
 */
export function recommend(client: Candidate): Recommendation {
  const cautions = deferrals(client)
  if (client.ageYears === undefined) {
    cautions.push('The age is not on record: under 18 a guardian consents first.')
  }
  if (isMinor(client) && cautions.length === 0) {
    cautions.push('Under 18: a guardian’s consent is on record, and no deficit is planned.')
  }
  if (client.flags.includes('illness or medicines')) {
    cautions.push(
      'Measuring may go on; diet, pace and medicines belong to the physician or dietitian who knows the illness.',
    )
  }
  if (client.build === 'very lean') {
    cautions.push(
      `An estimate under about ${client.sex === 'male' ? 5 : 12}% is a reason to see a physician, not a goal.`,
    )
  }
  const wait = deferrals(client)[0]
  const judged = PROTOCOLS.map((protocol) => ({
    protocol,
    reason: wait ?? exclusion(protocol, client),
  }))
  const advice = judged
    .filter(({ reason }) => reason === undefined)
    .map(({ protocol }) => ({ protocol, ...fit(protocol, client) }))
    .sort((a, b) => b.score - a.score)
    .map(({ protocol, reason }) => ({
      protocol,
      equationId: protocol.equations[client.sex][0],
      reason,
    }))
  const not = judged.flatMap(({ protocol, reason }) =>
    reason === undefined ? [] : [{ protocol, reason }],
  )
  return { advice, not, cautions }
}
