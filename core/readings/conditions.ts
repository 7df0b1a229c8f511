import { type Message, say } from '../say'

/** One condition that a check-in can be taken under, as chips of which at most one is chosen. */
export interface Condition {
  id: ConditionId
  label: Message
  /** `warns` is what is said of an option whatever it was last time, as on a first visit. */
  options: { id: string; name: Message; warns?: Message }[]
  /** What a difference from last time may do, in words. */
  effect: Message
}

export type ConditionId = 'time' | 'food' | 'training' | 'skin' | 'water' | 'health' | 'cycle'

/**
 * The chips chosen, by condition, notes, and in a line how clothes fit and how the client feels. What is not said stays
 * away.
 */
export type Conditions = Partial<Record<ConditionId | 'notes' | 'feels', string>>

const option = (id: string, name: Message, warns?: Message) => ({
  id,
  name,
  ...(warns ? { warns } : {}),
})

/** Same time of day, before training, dry skin: the usual conditions of the textbooks. Effects: common practice, no source. */
export const CONDITIONS: readonly Condition[] = [
  {
    id: 'time',
    label: say('findings.timeDay'),
    options: [
      option('morning', say('findings.morning')),
      option('midday', say('findings.midday')),
      option('evening', say('findings.evening')),
    ],
    effect: say('findings.bodyMassGirthsDriftThrough'),
  },
  {
    id: 'food',
    label: say('findings.food'),
    options: [
      option('fasted', say('findings.fasted')),
      option('eaten', say('findings.afterEating')),
    ],
    effect: say('findings.bodyMassWaistAbdomenMay'),
  },
  {
    id: 'training',
    label: say('findings.training'),
    options: [
      option('rest', say('findings.restDay')),
      option('before', say('findings.beforeTraining')),
      option('after', say('findings.afterTraining'), say('findings.afterTrainingFoldsLimbGirths')),
    ],
    effect: say('findings.afterTrainingFoldsLimbGirths2'),
  },
  {
    id: 'skin',
    label: say('findings.skin'),
    options: [
      option('dry', say('findings.dry')),
      option('sweating', say('findings.sweating'), say('findings.sweatMakesFoldSlipLet')),
      option('damp', say('findings.dampLotion'), say('findings.lotionMakesFoldSlipWipe')),
    ],
    effect: say('findings.dampCreamedSkinSlipsOut'),
  },
  {
    id: 'water',
    label: say('findings.drinking'),
    options: [
      option('usual', say('findings.usual')),
      option('thirsty', say('findings.thirsty'), say('findings.shortWaterWeightFoldsRead')),
      option('much', say('findings.drankLot'), say('findings.muchWaterReadsWeightThere')),
    ],
    effect: say('findings.waterMovesBodyMassLittle'),
  },
  {
    id: 'health',
    label: say('findings.health'),
    options: [
      option('well', say('findings.well')),
      option('ill', say('findings.illJustOver'), say('findings.illnessMovesWaterWaitUntil')),
    ],
    effect: say('findings.illnessMovesWaterBodyMass'),
  },
  {
    id: 'cycle',
    label: say('findings.cycle'),
    options: [
      option('bleeding', say('findings.bleeding')),
      option('first', say('findings.firstHalf')),
      option('middle', say('findings.midCycle')),
      option('second', say('findings.secondHalf')),
    ],
    effect: say('findings.waterHeldSecondHalfMoves'),
  },
]

/** What is to be said of the conditions of today by themselves, whether or not there is a last time. */
export function conditionWarnings(now: Conditions): Message[] {
  return CONDITIONS.flatMap(
    ({ id, options }) => options.find((chosen) => chosen.id === now[id])?.warns ?? [],
  )
}

/**
 * What differs from the conditions of last time, in quiet sentences; a condition that one of the two leaves unsaid is
 * not compared.
 */
export function conditionDifferences(before: Conditions, now: Conditions): Message[] {
  return CONDITIONS.flatMap(({ id, options, effect }) => {
    const [then, today] = [before[id], now[id]]
    if (!then || !today || then === today) return []
    const name = (chosen: string) => options.find((o) => o.id === chosen)?.name ?? chosen
    return [say('findings.lastTimeNow', { then: name(then), today: name(today), effect })]
  })
}
