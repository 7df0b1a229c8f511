import { type Message, say, type Words } from '../say'
import type { GirthId, KnownGirth, LandmarkStandard } from './ids'
import { nameOf } from './names'

/** How a girth is taken. */
export interface GirthLandmark {
  id: GirthId
  name: Words
  where: Message
  /** Posture, breath and tension. */
  how: Message
  /** What other standards do, by name; their values are not the same girth. */
  standards: Partial<Record<LandmarkStandard | 'who' | 'navy' | 'nhanes', Message>>
}

const girth = (
  id: GirthId,
  where: Message,
  how: Message,
  standards: GirthLandmark['standards'] = {},
): GirthLandmark => ({ id, name: nameOf(id), where, how, standards })

const TRUNK = say('anatomy.levelAllRoundReadAfter')
const LIMB = say('anatomy.muscleRelaxedWeightEvenTape')

/** Every girth, with where and how. The tape lies flat on the skin; each girth is taken twice. */
const GIRTHS: readonly GirthLandmark[] = [
  girth(
    'neck',
    say('anatomy.justBelowLarynxShoulderMuscle'),
    say('anatomy.headLevelTapeSlopingLittle'),
    {
      int: say('anatomy.justAboveThyroidCartilage'),
    },
  ),
  girth(
    'shoulders',
    say('anatomy.roundBroadestPartBothShoulders'),
    say('anatomy.armsSidesNormalBreathOut'),
    {
      gym: say('anatomy.commonPracticeSource'),
    },
  ),
  girth(
    'chest_girth',
    say('anatomy.levelMiddleBreastbone'),
    say('anatomy.heldBreath', { trunk: TRUNK }),
    {
      us: say('anatomy.midSternum'),
      int: say('anatomy.midSternumEndNormalBreath'),
      gym: say('anatomy.nippleLineJustUnderBust'),
    },
  ),
  girth(
    'bust',
    say('anatomy.fullestPartBreastsOverNipples'),
    say('anatomy.sameBraNoneEachTime', { trunk: TRUNK }),
    {
      gym: say('anatomy.commonPracticeSource'),
    },
  ),
  girth(
    'under_bust',
    say('anatomy.justUnderBreasts'),
    say('anatomy.sameBraNoneEachTime', { trunk: TRUNK }),
    {
      gym: say('anatomy.commonPracticeSource'),
    },
  ),
  girth('waist', say('anatomy.narrowestPartBetweenRibsHip'), TRUNK, {
    navy: say('anatomy.womenTapeMethodAlsoWaist'),
  }),
  girth('waist_midway', say('anatomy.halfwayBetweenLowestRibHip'), TRUNK, {
    who: say('anatomy.waistWorldHealthOrganization'),
  }),
  girth('abdomen', say('anatomy.levelNavel'), TRUNK, {
    navy: say('anatomy.menTapeMethodArmysOne'),
  }),
  girth('iliac', say('anatomy.levelTopHipCrests'), TRUNK, {
    nhanes: say('anatomy.waistNationalSurveysRelativeFat'),
  }),
  girth(
    'hip',
    say('anatomy.largestGirthOverButtocks'),
    say('anatomy.feetTogetherButtocksLooseTape'),
  ),
  girth(
    'thigh_girth',
    say('anatomy.justBelowFoldButtock'),
    say('anatomy.feetLittleApart', { limb: LIMB }),
    {
      us: say('anatomy.glutealFold'),
      int: say('anatomy.n1CmBelowGlutealFold'),
      gym: say('anatomy.fixedMarkClientsOwn'),
    },
  ),
  girth('mid_thigh_girth', say('anatomy.halfwayBetweenGroinTopKneecap'), LIMB),
  girth('calf_girth', say('anatomy.largestGirthCalf'), say('anatomy.flexed', { limb: LIMB })),
  girth(
    'upper_arm_relaxed',
    say('anatomy.halfwayBetweenTipShoulderElbow'),
    say('anatomy.armHangingLooseAfterTraining'),
  ),
  girth(
    'upper_arm_flexed',
    say('anatomy.peakContractedBiceps'),
    say('anatomy.elbowBentRightAngleFist'),
  ),
  girth('forearm', say('anatomy.largestGirthBelowElbow'), say('anatomy.armHangingLoosePalmUp')),
  girth('wrist', say('anatomy.justBelowBonyKnobsWrist'), say('anatomy.handRelaxedPalmUp')),
  girth('head', say('anatomy.headWhere'), say('anatomy.headHow')),
  girth('ankle', say('anatomy.ankleWhere'), say('anatomy.ankleHow')),
]

const byId = new Map(GIRTHS.map((g) => [g.id, g]))

/** How a girth is taken; undefined for one of a coach's own. */
export function girthLandmark(id: KnownGirth): GirthLandmark
export function girthLandmark(id: GirthId): GirthLandmark | undefined
export function girthLandmark(id: GirthId): GirthLandmark | undefined {
  return byId.get(id)
}
