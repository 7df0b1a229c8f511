/** One condition that a check-in can be taken under, as chips of which at most one is chosen. */
export interface Condition {
  id: ConditionId
  label: string
  /** `warns` is what is said of an option whatever it was last time, as on a first visit. */
  options: { id: string; name: string; warns?: string }[]
  /** What a difference from last time may do, in words. */
  effect: string
}

export type ConditionId = 'time' | 'food' | 'training' | 'skin' | 'water' | 'health' | 'cycle'

/**
 * The chips chosen, by condition, notes, and in a line how clothes fit and how the client feels. What is not said stays
 * away.
 */
export type Conditions = Partial<Record<ConditionId | 'notes' | 'feels', string>>

const option = (id: string, name: string, warns?: string) => ({
  id,
  name,
  ...(warns ? { warns } : {}),
})

/** Same time of day, before training, dry skin: the usual conditions of the textbooks. Effects: common practice, no source. */
export const CONDITIONS: readonly Condition[] = [
  {
    id: 'time',
    label: 'Time of day',
    options: [
      option('morning', 'morning'),
      option('midday', 'midday'),
      option('evening', 'evening'),
    ],
    effect: 'body mass and girths drift through the day',
  },
  {
    id: 'food',
    label: 'Food',
    options: [option('fasted', 'fasted'), option('eaten', 'after eating')],
    effect: 'body mass, waist and abdomen may read more after eating',
  },
  {
    id: 'training',
    label: 'Training',
    options: [
      option('rest', 'rest day'),
      option('before', 'before training'),
      option(
        'after',
        'after training',
        'After training folds and limb girths read thicker and weight less: measure before it, or on a rest day.',
      ),
    ],
    effect: 'after training folds and limb girths may read thicker, and body mass less',
  },
  {
    id: 'skin',
    label: 'Skin',
    options: [
      option('dry', 'dry'),
      option('sweating', 'sweating', 'Sweat makes the fold slip: let the skin cool and dry it.'),
      option(
        'damp',
        'damp or lotion',
        'Lotion makes the fold slip: wipe it off, or measure another day.',
      ),
    ],
    effect: 'damp or creamed skin slips out of the jaws',
  },
  {
    id: 'water',
    label: 'Drinking',
    options: [
      option('usual', 'as usual'),
      option(
        'thirsty',
        'thirsty',
        'Short of water, weight and folds read less than they are: drink, and measure another day.',
      ),
      option('much', 'drank a lot', 'Much water reads as weight that is not there tomorrow.'),
    ],
    effect: 'water moves body mass and a little of every fold',
  },
  {
    id: 'health',
    label: 'Health',
    options: [
      option('well', 'well'),
      option(
        'ill',
        'ill or just over it',
        'Illness moves water: wait until a few days after it, where you can.',
      ),
    ],
    effect: 'illness moves water and body mass: a change may not be fat or lean',
  },
  {
    id: 'cycle',
    label: 'Cycle',
    options: [
      option('bleeding', 'bleeding'),
      option('first', 'first half'),
      option('middle', 'mid-cycle'),
      option('second', 'second half'),
    ],
    effect: 'water held in the second half moves body mass and girths',
  },
]

/** What is to be said of the conditions of today by themselves, whether or not there is a last time. */
export function conditionWarnings(now: Conditions): string[] {
  return CONDITIONS.flatMap(
    ({ id, options }) => options.find((chosen) => chosen.id === now[id])?.warns ?? [],
  )
}

/**
 * What differs from the conditions of last time, in quiet sentences; a condition that one of the two leaves unsaid is
 * not compared.
 */
export function conditionDifferences(before: Conditions, now: Conditions): string[] {
  return CONDITIONS.flatMap(({ id, options, effect }) => {
    const [then, today] = [before[id], now[id]]
    if (!then || !today || then === today) return []
    const name = (chosen: string) => options.find((o) => o.id === chosen)?.name ?? chosen
    return [`Last time ${name(then)}, now ${name(today)}: ${effect}.`]
  })
}
