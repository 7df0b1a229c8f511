import type { Situation } from './situation'
import { type Direction, moved } from './verdict'

/** What coaches usually do next: a suggestion with its reason, never an order. */
export interface Suggestion {
  what: string
  why: string
  /** Who to see, and what not to do. */
  caution?: string
}

export interface Rule {
  id: string
  /** When it applies, in words, for the docs. */
  when: string
  applies(s: Situation): boolean
  /** The heading. */
  says(s: Situation): string
  next: Suggestion[]
  /** Only heads, never follows: it says that nothing else does. */
  alone?: boolean
  /** Only follows: it is about the measuring, not about the body. */
  follows?: boolean
}

const not = (direction: Direction, ...others: Direction[]) => !others.includes(direction)
const anyMoved = ({ fat, lean, folds }: Situation) => [fat, lean, folds].some(moved)

/**
 * The scale fell and the folds did not: what the equation then calls fat lost is its share of the mass, which the folds
 * do not bear out.
 */
const scaleAlone = ({ mass, lean, folds, fat }: Situation) =>
  mass === 'down' && lean !== 'up' && (folds === 'held' || (folds === 'unclear' && !moved(fat)))

/** Fat down, and not by the scale alone. */
const fatDown = (s: Situation) => s.fat === 'down' && !scaleAlone(s)

const REFER_LOSS =
  'Loss that is not intended, missed periods, dizziness or signs of restriction go to a physician or registered dietitian.'

const same: Suggestion = {
  what: 'Measure again under the same conditions, by the same hand and caliper, before reading anything into it.',
  why: 'Another tester or caliper, training, food or the time of day move folds and mass as much as weeks of work do.',
}
const keepOn: Suggestion = {
  what: 'Keep the plan as it is.',
  why: 'It does what it is meant to do.',
}
const leanFirst: Suggestion = {
  what: 'Look at protein, strength training and the pace, in this order.',
  why: 'Lean mass is held by training and protein, and lost to a deficit that is too large.',
  caution: 'A diet for an illness, in pregnancy or for a child is for licensed practice.',
}

/**
 * The rules of the sentence, in order: the first that applies heads, the others follow. The last applies always, so
 * every situation has exactly one heading.
 */
export const RULES: readonly Rule[] = [
  {
    id: 'cannot-compare',
    when: 'nothing was measured both times',
    applies: ({ comparable }) => comparable === 'no',
    says: () => 'These two check-ins have nothing in common to compare.',
    next: [
      {
        what: 'Choose another pair, or take the old set once more.',
        why: 'Only the same site, located by the same landmark standard, can be compared.',
      },
    ],
    alone: true,
  },
  {
    id: 'too-fast',
    when: 'body mass falls by more than 1 % a week, likely or clearly',
    applies: ({ tooFast, comparable }) => tooFast && comparable !== 'no',
    says: () => 'Loss is too fast: more than 1 % of body mass a week.',
    next: [
      {
        what: 'Ease the deficit, and look at protein and sleep.',
        why: 'The faster the loss, the larger the share of lean mass in it.',
        caution: REFER_LOSS,
      },
    ],
  },
  {
    id: 'wait',
    when: 'people, instruments or conditions differ, and neither fat, lean nor folds moved',
    applies: (s) => s.comparable === 'differs' && !anyMoved(s),
    says: () => 'People, instruments or conditions differ: wait for the next one.',
    next: [same],
    alone: true,
  },
  {
    id: 'net-swing',
    when: 'fat down and lean up, body mass neither',
    applies: ({ fat, lean, mass }) => fat === 'down' && lean === 'up' && !moved(mass),
    says: () => 'The weight is the same, and yet fat went down and lean up.',
    next: [keepOn, { what: 'Show the net swing.', why: 'The scale hides it from the client.' }],
  },
  {
    id: 'weight-down-folds-same',
    when: 'body mass down and lean not up; folds held, or unclear with fat neither down nor up',
    applies: scaleAlone,
    says: () => 'Weight down, folds the same: lean or water rather than fat.',
    next: [
      {
        what: 'Look at girths, drinking and the days before, then at protein, training and the pace.',
        why: 'A loss that the folds do not show is water, or lean mass.',
        caution: REFER_LOSS,
      },
    ],
  },
  {
    id: 'fat-down-lean-up',
    when: 'fat down and lean up, body mass too',
    applies: ({ fat, lean, mass }) => fat === 'down' && lean === 'up' && moved(mass),
    says: () => 'Fat down, lean up.',
    next: [keepOn],
  },
  {
    id: 'fat-down-lean-down',
    when: 'fat and lean down, and not by the scale alone',
    applies: (s) => fatDown(s) && s.lean === 'down',
    says: () => 'Fat down, but lean too.',
    next: [leanFirst],
  },
  {
    id: 'fat-down-lean-held',
    when: 'fat down and not by the scale alone, lean neither up nor down',
    applies: (s) => fatDown(s) && !moved(s.lean),
    says: ({ lean }) =>
      lean === 'held'
        ? 'Fat down, lean held.'
        : lean === 'absent'
          ? 'Fat down; lean was not computed.'
          : 'Fat down; lean held as far as can be told.',
    next: [keepOn],
  },
  {
    id: 'fat-up-lean-up',
    when: 'fat and lean up',
    applies: ({ fat, lean }) => fat === 'up' && lean === 'up',
    says: () => 'Gaining: lean and fat both up.',
    next: [
      {
        what: 'Compare the two gains with what was planned, and slow down if fat leads.',
        why: 'Past what training can build, a surplus becomes fat.',
      },
    ],
  },
  {
    id: 'fat-up-lean-down',
    when: 'fat up and lean down',
    applies: ({ fat, lean }) => fat === 'up' && lean === 'down',
    says: () => 'Fat up, lean down.',
    next: [
      {
        what: 'Ask what changed: training missed, illness, injury, sleep.',
        why: 'The two together are what a break from training looks like.',
        caution: 'New medicines and illness go to a physician.',
      },
    ],
  },
  {
    id: 'creeping-up',
    when: 'fat up, or folds up with fat not down; lean neither',
    applies: ({ fat, folds, lean }) =>
      (fat === 'up' || (folds === 'up' && not(fat, 'down'))) && !moved(lean),
    says: () => 'Creeping up.',
    next: [
      {
        what: 'Talk about the last weeks before the numbers, and agree on one change.',
        why: 'Small and early is easier than large and late.',
        caution: 'No shaming: where food has become a worry, offer other goals and a referral.',
      },
    ],
  },
  {
    id: 'lean-up',
    when: 'lean up, fat neither',
    applies: ({ lean, fat }) => lean === 'up' && !moved(fat),
    says: ({ fat }) => (fat === 'held' ? 'Lean up, fat held.' : 'Lean up.'),
    next: [
      keepOn,
      {
        what: 'Hold it against girths and strength.',
        why: 'Lean mass is water too: a salty or a heavy day reads as lean.',
      },
    ],
  },
  {
    id: 'lean-down',
    when: 'lean down, fat neither or by the scale alone',
    applies: (s) => s.lean === 'down' && (!moved(s.fat) || scaleAlone(s)),
    says: () => 'Lean down, fat not.',
    next: [leanFirst],
  },
  {
    id: 'folds-down',
    when: 'folds down, fat neither down nor up',
    applies: ({ folds, fat }) => folds === 'down' && !moved(fat),
    says: () => 'Folds down.',
    next: [keepOn],
  },
  {
    id: 'folds-against-mass',
    when: 'folds up and fat down, or folds down and fat up',
    applies: ({ folds, fat }) =>
      (folds === 'up' && fat === 'down') || (folds === 'down' && fat === 'up'),
    says: () => 'Folds and fat went opposite ways: the scale decides, so look at it again.',
    next: [same],
  },
  {
    id: 'weight-up',
    when: 'body mass up, fat, lean and folds neither',
    applies: (s) => s.mass === 'up' && !anyMoved(s),
    says: () => 'Weight up, and neither fat nor lean can be named for it.',
    next: [
      {
        what: 'Look at the daily weigh-ins and the girths.',
        why: 'Water, food and the cycle move the scale by a kilogram and more.',
      },
    ],
  },
  {
    id: 'weight-down',
    when: 'body mass down, no folds taken, fat and lean neither',
    applies: (s) => s.mass === 'down' && s.folds === 'absent' && !anyMoved(s),
    says: () => 'Weight down; without folds nobody can say of what.',
    next: [{ what: 'Take the folds next time.', why: 'They tell fat from the rest.' }],
  },
  {
    id: 'one-region',
    when: 'folds of one region moved, the sum did not',
    applies: ({ region, folds }) => region !== null && !moved(folds),
    says: ({ region }) => `Only the ${region} moved.`,
    next: [
      {
        what: 'Look at the mark and the landmark of that region once more.',
        why: 'Fat seldom leaves one place alone; a mark that slipped often looks like it.',
      },
    ],
  },
  {
    id: 'differs',
    when: 'people, instruments or conditions differ',
    applies: ({ comparable }) => comparable === 'differs',
    says: () => 'People, instruments or conditions differ; the error is widened for it.',
    next: [same],
    follows: true,
  },
  {
    id: 'held',
    when: 'fat, or where it is absent the folds or body mass, held',
    applies: ({ fat, folds, mass }) =>
      [fat, folds, mass].find((direction) => direction !== 'absent') === 'held',
    says: () => 'No change that matters.',
    next: [
      {
        what: 'If change was wanted, look at the weeks behind; if holding was, keep on.',
        why: 'The whole interval lies inside what would matter.',
      },
    ],
    alone: true,
  },
  {
    id: 'cannot-tell',
    when: 'always',
    applies: () => true,
    says: () => 'Too early to tell.',
    next: [
      {
        what: 'Go on, and measure again when the pace has had time to show.',
        why: 'The change is inside what this hand can tell; a week of work is smaller than the error of a hand.',
      },
    ],
    alone: true,
  },
]
