/** Phrases that more than one landmark standard uses. */
import { say } from '../../say'
export const DOWN = say('anatomy.straightDown')
export const BLADE_FINDING = say('anatomy.handBehindBackMakesTip')
export const CREASE_FINDING = say('anatomy.kneeLiftedLittleShowsCrease')
export const CALF_POSTURE = say('anatomy.footBenchKneeRightAngle')

export const TRICEPS_INT = say('anatomy.backArmLevelHalfwayBetween')
export const ILIAC_CREST = say('anatomy.justAboveHipCrestLine')
