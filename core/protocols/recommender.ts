import { type Message, say, sentences } from '../say'
import type { Sex, SkinfoldId } from '../anatomy/ids'
import { namesOf } from '../anatomy/names'
import { countsAge } from '../equations/counts'
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
  reason: Message
}

export interface Warned {
  protocol: Protocol
  /** Why not, in a sentence. */
  reason: Message
}

export interface Recommendation {
  /** Best first; empty where measuring waits. */
  advice: Advice[]
  not: Warned[]
  /** What to do before any fold, in sentences. */
  cautions: Message[]
}

/* Weights of the ranking. Judgement: continuity outweighs everything that is not an exclusion. */
const CONTINUITY = 100
const FIT = 30
const OVER_AGE = 25
const COMMON_PRACTICE = 20
const FEWER_SITES = 2
const FAR_OVER_YEARS = 10

/** From which skin and fat lie differently under the jaws, years. Common practice, no source. */
const OLDER_YEARS = 60

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
  caution: Message
}

/** Reasons to wait that no protocol gets round. The usual cautions; local rules come first. */
function deferrals(client: Candidate): Message[] {
  const { flags } = client
  const rules: Rule[] = [
    {
      applies: (['pregnant', 'six weeks after birth', 'recently pregnant'] as const).some((flag) =>
        flags.includes(flag),
      ),
      caution: say('protocols.waitBodyCompositionEstimatedPregnancy'),
    },
    {
      applies: flags.includes('eating disorder'),
      caution: say('protocols.waitEatingDisorderNowSuspected'),
    },
    {
      applies: isMinor(client) && flags.includes('no guardian consent'),
      caution: say('protocols.waitUnder18GuardianConsents'),
    },
  ]
  return rules.filter((r) => r.applies).map((r) => r.caution)
}

/** Reasons to leave the folds alone. */
function foldObstacle(
  { flags, instruments, build, closedSites }: Candidate,
  folds: readonly SkinfoldId[],
): Message | undefined {
  if (!instruments.includes('caliper')) return say('protocols.thereCaliperHand')
  if (build === 'very overweight') {
    return say('protocols.foldsLoseAccuracyVeryOverweight')
  }
  if (flags.includes('skin or surgery at the sites')) {
    const closed = closedSites && folds.filter((fold) => closedSites.includes(fold))
    const over = closed?.length ? say('protocols.here', { closed: namesOf(closed) }) : undefined
    if (!closed || over) {
      return sentences(say('protocols.foldsOverSurgeryImplantsStoma'), over)
    }
  }
  if (flags.includes('oedema')) return say('protocols.edemaLymphedemaMakesFoldsMeaningless')
  if (flags.includes('bleeding tendency')) return say('protocols.bleedingTendencyPinchMayBruise')
  if (flags.includes('no undressing')) return say('protocols.sitesCannotReachedTheseClothes')
  return undefined
}

/** The reason why a protocol is out for this client, or undefined. */
function exclusion(protocol: Protocol, client: Candidate): Message | undefined {
  const { sex, ageYears, instruments } = client
  if (protocol.folds[sex].length > 0) {
    const obstacle = foldObstacle(client, protocol.folds[sex])
    if (obstacle) return obstacle
  }
  if (protocol.girths[sex].length > 0 && !instruments.includes('tape'))
    return say('protocols.thereTapeHand')
  const lead = protocol.equations[sex][0]
  if (lead === undefined) return undefined
  const variant = equationById(lead).variants.find((v) => v.sex === sex)!
  const { ages, needs } = variant
  if (ageYears === undefined && countsAge(variant))
    return say('protocols.equationCountsAgeYearBirth')
  if (ages && ageYears !== undefined && ageYears < ages.youngest)
    return say('protocols.equationStartsYears', { youngest: ages.youngest })
  if (isMinor(client) && protocol.id !== 'youth') return say('protocols.under18OnlyEquationYouth')
  if (protocol.id === 'youth' && !isMinor(client)) return say('protocols.n817Years')
  if (protocol.id === 'full-profile' && !['athlete', 'physique'].includes(client.training))
    return say('protocols.fullProfileForAthletes')
  if (protocol.id === 'very-overweight' && client.build !== 'very overweight') {
    return say('protocols.equationsComePeopleObesityOver')
  }
  if (needs.includes('massKg') && !instruments.includes('scale'))
    return say('protocols.thereScaleHandEquationWants')
  if (needs.includes('heightCm') && !instruments.includes('height'))
    return say('protocols.heightKnownEquationWants')
  if (protocol.id === 'nine-fold' && client.last?.protocolId !== protocol.id) {
    return say('protocols.ratioHasSourceAgesThere')
  }
  if (protocol.id === 'ten-fold-czech' && client.last?.protocolId !== protocol.id) {
    return say('protocols.onlyToGoOnWithCzech')
  }
  return undefined
}

/** How well a protocol suits a client who may use it, and the sentence for it. */
function fit(protocol: Protocol, client: Candidate): { score: number; reason: Message } {
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
    reason = say('protocols.veryLeanFollowSumFolds', { when: protocol.when })
  }
  const oldest = variant?.ages?.oldest
  if (oldest !== undefined && ageYears !== undefined && ageYears > oldest) {
    // A few years over are less of a stretch than twenty.
    score -= (OVER_AGE + FIT) * Math.min(1, (ageYears - oldest) / FAR_OVER_YEARS)
    if (protocol.id === 'four-fold-dw') score += FIT
    reason = say('protocols.equationOverOldestAgeHere', { when: protocol.when, oldest })
  } else if (protocol.id === 'four-fold-dw' && ageYears !== undefined && ageYears > 55) {
    score += FIT
    reason = say('protocols.equationReachesYearsFurtherOthers', { oldest })
  }
  if (last?.protocolId === protocol.id) {
    score += CONTINUITY
    reason = last.anotherTester
      ? say('protocols.sameLastTimeSoCheck')
      : say('protocols.sameLastTimeSoCheck2')
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
    cautions.push(say('protocols.ageRecordUnder18Guardian'))
  }
  if (isMinor(client) && cautions.length === 0) {
    cautions.push(say('protocols.under18GuardiansConsentRecord'))
  }
  if (client.flags.includes('illness or medicines')) {
    cautions.push(say('protocols.measuringMayGoDietPace'))
  }
  if (client.ageYears !== undefined && client.ageYears >= OLDER_YEARS) {
    cautions.push(say('protocols.olderClient'))
  }
  if (client.build === 'very lean') {
    cautions.push(
      say('protocols.estimateUnderAboutReasonSee', { sex: client.sex === 'male' ? 5 : 12 }),
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
