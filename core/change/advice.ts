import { type Message, say } from '../say'
import type { Headline, HeadlineRule } from './model/headline'
import { wayOf } from './model/verdict'

/** What coaches usually do next: a suggestion with its reason, never an order. */
export interface Suggestion {
  what: Message
  why: Message
  /** Who to see, and what not to do. */
  caution?: Message
}

/** A rule of advice: the headlines that it goes with, in words for the docs, and what it suggests. */
export interface AdviceRule {
  id: string
  when: Message
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

const REFER_LOSS = say('change.lossIntendedMissedPeriodsDizziness')
const KEEP_ON: Suggestion = {
  what: say('change.ifWasWantedKeepGoing'),
  why: say('change.whatWorksNeedsChange'),
}

const isClear = ({ rule }: HeadlineWays) => rule === 'phase-clear' || rule === 'first-clear'

/** In order: the first that applies is the advice. The last one applies always. Common practice, no source. */
export const ADVICE: readonly AdviceRule[] = [
  {
    id: 'too-fast',
    when: say('change.bodyMassFallsFasterSafe'),
    applies: ({ rule }) => rule === 'too-fast',
    next: [
      {
        what: say('change.easeDeficitAbout05'),
        why: say('change.fasterLossLargerShareLean'),
        caution: REFER_LOSS,
      },
    ],
  },
  {
    id: 'losing-lean',
    when: say('change.leanLostMoreCutCosts'),
    applies: ({ rule }) => rule === 'losing-lean',
    next: [
      {
        what: say('change.easeDeficitAbout052'),
        why: say('change.leanMassHeldTrainingProtein'),
        caution: say('change.dietIllnessPregnancyChildLicensed', { referLoss: REFER_LOSS }),
      },
    ],
  },
  {
    id: 'fat-down-lean-up',
    when: say('change.fatDownLeanUp'),
    applies: (headline) => isClear(headline) && headline.fat === -1 && headline.lean === 1,
    next: [KEEP_ON, { what: say('change.showBoth'), why: say('change.scaleHidesClient') }],
  },
  {
    id: 'fat-down-lean-down',
    when: say('change.fatDownLessLean30'),
    applies: (headline) => isClear(headline) && headline.fat === -1 && headline.lean === -1,
    next: [
      {
        what: say('change.keepPaceLookProteinLifting'),
        why: say('change.someLeanGoesAnyCut'),
      },
    ],
  },
  {
    id: 'fat-down',
    when: say('change.fatDownLeanNeitherUp'),
    applies: (headline) => isClear(headline) && headline.fat === -1,
    next: [KEEP_ON],
  },
  {
    id: 'both-up',
    when: say('change.fatLeanUp'),
    applies: (headline) => isClear(headline) && headline.fat === 1 && headline.lean === 1,
    next: [
      {
        what: say('change.compareTwoGainsWhatWas'),
        why: say('change.pastWhatTrainingCanBuild'),
      },
    ],
  },
  {
    id: 'fat-up-lean-down',
    when: say('change.fatUpLeanDown'),
    applies: (headline) => isClear(headline) && headline.fat === 1 && headline.lean === -1,
    next: [
      {
        what: say('change.askWhatChangedTrainingMissed'),
        why: say('change.twoTogetherWhatBreakTraining'),
        caution: say('change.newMedicinesIllnessGoPhysician'),
      },
    ],
  },
  {
    id: 'fat-up',
    when: say('change.fatUpLeanNeitherUp'),
    applies: (headline) => isClear(headline) && headline.fat === 1,
    next: [
      {
        what: say('change.talkAboutLastWeeksBefore'),
        why: say('change.smallEarlyEasierLargeLate'),
        caution: say('change.shamingWhereFoodHasBecome'),
      },
    ],
  },
  {
    id: 'lean-up',
    when: say('change.leanUpFatNeitherUp'),
    applies: (headline) => isClear(headline) && headline.lean === 1,
    next: [
      KEEP_ON,
      {
        what: say('change.holdAgainstGirthsStrength'),
        why: say('change.leanMassWaterTooSalty'),
      },
    ],
  },
  {
    id: 'off-the-line',
    when: say('change.lastCheckLiesOffLine'),
    applies: ({ rule }) => rule === 'off-the-line',
    next: [
      {
        what: say('change.measureAgainUnderSameConditions'),
        why: say('change.anotherTesterCaliperTrainingFood'),
      },
    ],
  },
  {
    id: 'no-change',
    when: say('change.nothingChangedMatters'),
    applies: ({ rule }) => rule === 'no-change',
    next: [
      {
        what: say('change.ifChangeWasWantedLook'),
        why: say('change.wholeWhatPossibleLiesInside'),
      },
    ],
  },
  {
    id: 'wait',
    when: say('change.nothingClearYet'),
    applies: () => true,
    next: [
      {
        what: say('change.goPlannedMeasureAgainWhen'),
        why: say('change.fewWeeksWorkSmallerError'),
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
