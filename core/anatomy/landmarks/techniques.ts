/** How each standard takes a fold, step by step. */
import { type Message, say } from '../../say'
export interface FoldTechnique {
  standard: 'us' | 'int' | 'gym'
  name: Message
  marking: Message
  grip: Message
  reading: Message
  order: Message
  repeat: Message
}

export const TECHNIQUES: readonly FoldTechnique[] = [
  {
    standard: 'us',
    name: say('anatomy.americanSportsMedicineTextbooks'),
    marking: say('anatomy.findEachLandmarkMarkDot'),
    grip: say('anatomy.thumbIndexFingerLiftSkin'),
    reading: say('anatomy.oneTwoSecondsAfterJaws'),
    order: say('anatomy.allSitesOnceThenAll'),
    repeat: say('anatomy.thirdWhenTwoDifferMore'),
  },
  {
    standard: 'int',
    name: say('anatomy.internationalAnthropometry'),
    marking: say('anatomy.markEveryLandmarkFirstThen'),
    grip: say('anatomy.thumbIndexFingerJaws1'),
    reading: say('anatomy.twoSecondsAfterJawsClose'),
    order: say('anatomy.completeCircuitThenAgain'),
    repeat: say('anatomy.thirdWhenTwoDifferMore2'),
  },
  {
    standard: 'gym',
    name: say('anatomy.commonPracticeAmongTrainersSource'),
    marking: say('anatomy.clientsOwnFixedMarkMole'),
    grip: say('anatomy.halfInchBelowFingersSome'),
    reading: say('anatomy.clickOnce'),
    order: say('anatomy.circuitTwiceTwoThreeQuick'),
    repeat: say('anatomy.thirdWhenTwoDifferMore3'),
  },
]
