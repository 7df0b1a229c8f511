import { say } from '../../say'
import { type Landmark, landmark } from './landmark'
import { BLADE_FINDING, DOWN, ILIAC_CREST } from './phrases'

/** Durnin and Womersley's own four: three limb and trunk folds as either standard has them, and their own suprailiac. */
export const DW: Landmark[] = [
  landmark('biceps', 'dw', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.frontArmOverMiddleMuscle'),
    posture: say('anatomy.armRestingPalmFront'),
  }),
  landmark('triceps', 'dw', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.backArmMidlineHalfwayBetween'),
    posture: say('anatomy.armHangingLooseSide'),
  }),
  landmark('subscapular', 'dw', {
    direction: 'diagonal',
    runs: say('anatomy.downOut45'),
    where: say('anatomy.justBelowLowerTipShoulder'),
    posture: say('anatomy.armDownLoose'),
    finding: BLADE_FINDING,
  }),
  landmark('iliac_crest', 'dw', {
    direction: 'horizontal',
    runs: say('anatomy.nearlyLevelLittleDownFront'),
    where: ILIAC_CREST,
    posture: say('anatomy.rightArmOutWay'),
  }),
]
