import { say } from '../../say'
import { type Landmark, landmark } from './landmark'
import { BLADE_FINDING, DOWN } from './phrases'

/** The ten folds of the Czech school, and one on the forearm. From memory of Pařízková's and Matiegka's descriptions. */
export const CZECH: Landmark[] = [
  landmark('cheek', 'czech', {
    direction: 'horizontal',
    runs: say('anatomy.level'),
    where: say('anatomy.cheekWhere'),
    posture: say('anatomy.faceStill'),
  }),
  landmark('chin', 'czech', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.chinWhere'),
    posture: say('anatomy.chinPosture'),
  }),
  landmark('chest', 'czech', {
    direction: 'diagonal',
    runs: say('anatomy.downTowardNipple'),
    where: say('anatomy.frontFoldArmpit'),
    posture: say('anatomy.armHangingChestMuscleRelaxed'),
  }),
  landmark('tenth_rib', 'czech', {
    direction: 'diagonal',
    runs: say('anatomy.alongRib'),
    where: say('anatomy.tenthRibWhere'),
    posture: say('anatomy.armMovedLittleBackUp'),
  }),
  landmark('triceps', 'czech', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.backArmMidlineHalfwayBetween'),
    posture: say('anatomy.armHangingLooseSide'),
  }),
  landmark('subscapular', 'czech', {
    direction: 'diagonal',
    runs: say('anatomy.downOut45'),
    where: say('anatomy.justBelowLowerTipShoulder'),
    posture: say('anatomy.armDownLoose'),
    finding: BLADE_FINDING,
  }),
  landmark('abdominal', 'czech', {
    direction: 'horizontal',
    runs: say('anatomy.level'),
    where: say('anatomy.quarterNavelHipPoint'),
    posture: say('anatomy.standingBellyRelaxedBreathingQuietly'),
  }),
  landmark('suprailiac', 'czech', {
    direction: 'diagonal',
    runs: say('anatomy.downAlongCrest'),
    where: say('anatomy.justAboveHipCrestLine2'),
    posture: say('anatomy.armLittleBack'),
  }),
  landmark('above_knee', 'czech', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.aboveKneeWhere'),
    posture: say('anatomy.standingWeightOtherLegOne'),
  }),
  landmark('calf_back', 'czech', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.calfBackWhere'),
    posture: say('anatomy.standingWeightOtherLegOne'),
  }),
  landmark('inner_forearm', 'czech', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.innerForearmWhere'),
    posture: say('anatomy.armHangingPalmFront'),
  }),
]
