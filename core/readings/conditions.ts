/** One condition that a check-in can be taken under, as chips of which at most one is chosen. */
export interface Condition {
  id: ConditionId
  label: string
  options: { id: string; name: string }[]
  /** What a difference from last time may do, in words. */
  effect: string
}

export type ConditionId = 'time' | 'food' | 'training' | 'skin' | 'water' | 'health' | 'cycle'

/** The chips chosen, by condition, and notes. What is not said stays away. */
export type Conditions = Partial<Record<ConditionId | 'notes', string>>

const option = (id: string, name: string) => ({ id, name })

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
      option('after', 'after training'),
    ],
    effect: 'after training folds and limb girths may read thicker, and body mass less',
  },
  {
    id: 'skin',
    label: 'Skin',
    options: [option('dry', 'dry'), option('damp', 'damp or lotion')],
    effect: 'damp or creamed skin slips out of the jaws',
  },
  {
    id: 'water',
    label: 'Drinking',
    options: [
      option('usual', 'as usual'),
      option('thirsty', 'thirsty'),
      option('much', 'drank much'),
    ],
    effect: 'water moves body mass and a little of every fold',
  },
  {
    id: 'health',
    label: 'Health',
    options: [option('well', 'well'), option('ill', 'ill or just over it')],
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
