import type { Headline, HeadlineRule } from './model/headline'
import { wayOf } from './model/verdict'

/** What coaches usually do next: a suggestion with its reason, never an order. */
export interface Suggestion {
  what: string
  why: string
  /** Who to see, and what not to do. */
  caution?: string
}

/** A rule of advice: the headlines that it goes with, in words for the docs, and what it suggests. */
export interface AdviceRule {
  id: string
  when: string
  applies(headline: HeadlineWays): boolean
  next: readonly Suggestion[]
}

/** What advice looks at: which rule heads the record, and which way each part clearly went. */
export interface HeadlineWays {
  rule: HeadlineRule
  /** Fat, or what is followed in its place: the sum of folds, or a girth. */
  fat: -1 | 0 | 1
  lean: -1 | 0 | 1
}

const REFER_LOSS =
  'Loss that is not intended, missed periods, dizziness or signs of restriction go to a physician or registered dietitian.'
const KEEP_ON: Suggestion = {
  what: 'If this was wanted, keep going as now.',
  why: 'What works needs no change.',
}

const isClear = ({ rule }: HeadlineWays) => rule === 'phase-clear' || rule === 'first-clear'

/** In order: the first that applies is the advice. The last one applies always. Common practice, no source. */
export const ADVICE: readonly AdviceRule[] = [
  {
    id: 'too-fast',
    when: 'body mass falls faster than is safe',
    applies: ({ rule }) => rule === 'too-fast',
    next: [
      {
        what: 'Ease the deficit to about 0.5 % of body mass a week, and look at protein and sleep.',
        why: 'The faster the loss, the larger the share of lean mass in it.',
        caution: REFER_LOSS,
      },
    ],
  },
  {
    id: 'losing-lean',
    when: 'lean is lost, and more of it than a cut costs',
    applies: ({ rule }) => rule === 'losing-lean',
    next: [
      {
        what: 'Ease the deficit to about 0.5 % of body mass a week, and bring protein and lifting up.',
        why: 'Lean mass is held by training and protein, and lost to a deficit that is too large.',
        caution: `A diet for an illness, in pregnancy or for a child is for licensed practice. ${REFER_LOSS}`,
      },
    ],
  },
  {
    id: 'fat-down-lean-up',
    when: 'fat down and lean up',
    applies: (headline) => isClear(headline) && headline.fat === -1 && headline.lean === 1,
    next: [KEEP_ON, { what: 'Show both.', why: 'The scale hides it from the client.' }],
  },
  {
    id: 'fat-down-lean-down',
    when: 'fat down, and less lean with it than 30 % of the loss',
    applies: (headline) => isClear(headline) && headline.fat === -1 && headline.lean === -1,
    next: [
      {
        what: 'Keep the pace, and look at protein and lifting.',
        why: 'Some lean goes with any cut; training and protein keep it little.',
      },
    ],
  },
  {
    id: 'fat-down',
    when: 'fat down, lean neither up nor down',
    applies: (headline) => isClear(headline) && headline.fat === -1,
    next: [KEEP_ON],
  },
  {
    id: 'both-up',
    when: 'fat and lean up',
    applies: (headline) => isClear(headline) && headline.fat === 1 && headline.lean === 1,
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
    applies: (headline) => isClear(headline) && headline.fat === 1 && headline.lean === -1,
    next: [
      {
        what: 'Ask what changed: training missed, illness, injury, sleep.',
        why: 'The two together are what a break from training looks like.',
        caution: 'New medicines and illness go to a physician.',
      },
    ],
  },
  {
    id: 'fat-up',
    when: 'fat up, lean neither up nor down',
    applies: (headline) => isClear(headline) && headline.fat === 1,
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
    when: 'lean up, fat neither up nor down',
    applies: (headline) => isClear(headline) && headline.lean === 1,
    next: [
      KEEP_ON,
      {
        what: 'Hold it against girths and strength.',
        why: 'Lean mass is water too: a salty or a heavy day reads as lean.',
      },
    ],
  },
  {
    id: 'off-the-line',
    when: 'the last check-in lies off the line',
    applies: ({ rule }) => rule === 'off-the-line',
    next: [
      {
        what: 'Measure again under the same conditions, by the same hand and caliper, before reading anything into it.',
        why: 'Another tester or caliper, training, food or the time of day move folds and mass as much as weeks of work do.',
      },
    ],
  },
  {
    id: 'no-change',
    when: 'nothing changed that matters',
    applies: ({ rule }) => rule === 'no-change',
    next: [
      {
        what: 'If change was wanted, look at the weeks behind; if holding was, keep on.',
        why: 'The whole of what is possible lies inside what would matter.',
      },
    ],
  },
  {
    id: 'wait',
    when: 'nothing is clear yet',
    applies: () => true,
    next: [
      {
        what: 'Go on as planned, and measure again when the pace has had time to show.',
        why: 'A few weeks of work are smaller than the error of a hand.',
      },
    ],
  },
]

/** What coaches usually do where a record is headed so. */
export function adviceOn(headline: Headline): AdviceRule {
  const wayOfPart = (...parts: string[]) => {
    const change = headline.changes.find(({ quantity }) => parts.includes(quantity))
    return change ? wayOf(change) : 0
  }
  const [first] = headline.changes
  const ways: HeadlineWays = {
    rule: headline.rule,
    fat: first ? wayOfPart(first.quantity) : 0,
    lean: wayOfPart('lean'),
  }
  return ADVICE.find((rule) => rule.applies(ways))!
}
