import { say } from '../../say'
import { type Landmark, landmark } from './landmark'
import { BLADE_FINDING, CALF_POSTURE, CREASE_FINDING, DOWN } from './phrases'

/** American sports-medicine textbooks. */
export const US: Landmark[] = [
  landmark('chest', 'us', {
    direction: 'diagonal',
    runs: say('anatomy.downTowardNipple'),
    where: {
      male: say('anatomy.halfwayAlongLineFrontFold'),
      female: say('anatomy.lineFrontFoldArmpitNipple'),
    },
    posture: say('anatomy.armHangingChestMuscleRelaxed'),
  }),
  landmark('midaxillary', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.lineStraightDownMiddleArmpit'),
    posture: say('anatomy.armMovedLittleBackUp'),
    techniques: [
      { id: 'vertical', name: say('anatomy.vertical'), how: say('anatomy.alongLineArmpit') },
      {
        id: 'horizontal',
        name: say('anatomy.horizontal'),
        how: say('anatomy.horizontalFoldSamePoint'),
      },
    ],
  }),
  landmark('triceps', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.backArmMidlineHalfwayBetween'),
    posture: say('anatomy.armHangingLooseSide'),
    finding: say('anatomy.elbowBentRightAngleFind'),
  }),
  landmark('biceps', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.frontArmOverBellyMuscle'),
    offset: say('anatomy.n1CmAboveTricepsLevel'),
    posture: say('anatomy.armHangingPalmFront'),
  }),
  landmark('subscapular', 'us', {
    direction: 'diagonal',
    runs: say('anatomy.downOut45'),
    where: say('anatomy.oneTwoCentimetersBelowLower'),
    offset: say('anatomy.n12CmBelowTip'),
    posture: say('anatomy.armDownLoose'),
    finding: BLADE_FINDING,
  }),
  landmark('abdominal', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.twoCentimetersRightNavel'),
    offset: say('anatomy.n2CmNavel'),
    posture: say('anatomy.standingBellyRelaxedBreathingQuietly'),
    variants: [say('anatomy.horizontalFold3CmBeside')],
  }),
  landmark('suprailiac', 'us', {
    direction: 'diagonal',
    runs: say('anatomy.downAlongCrest'),
    where: say('anatomy.justAboveHipCrestLine2'),
    posture: say('anatomy.armLittleBack'),
  }),
  landmark('suprailiac_sloan', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.overHipCrestItselfLine'),
    posture: say('anatomy.armLittleBack'),
  }),
  landmark('thigh', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.frontMidlineHalfwayBetweenCrease'),
    posture: say('anatomy.standingWeightOtherLegOne'),
    finding: CREASE_FINDING,
  }),
  landmark('medial_calf', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.insideCalfWhereThickest'),
    posture: CALF_POSTURE,
  }),
]
