import { say } from '../../say'
import { type Landmark, landmark } from './landmark'
import {
  BLADE_FINDING,
  CALF_POSTURE,
  CREASE_FINDING,
  DOWN,
  ILIAC_CREST,
  TRICEPS_INT,
} from './phrases'

/** International anthropometry. */
export const INT: Landmark[] = [
  landmark('triceps', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: TRICEPS_INT,
    posture: say('anatomy.armHangingLoosePalmLittle'),
  }),
  landmark('biceps', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.frontArmOverMuscleSame'),
    offset: say('anatomy.tricepsLevel'),
    posture: say('anatomy.armHangingLoosePalmLittle'),
  }),
  landmark('subscapular', 'int', {
    direction: 'diagonal',
    runs: say('anatomy.downOut45'),
    where: say('anatomy.twoCentimetersLowerTipShoulder'),
    offset: say('anatomy.n2CmAlongLine45'),
    posture: say('anatomy.armDownLoose'),
    finding: BLADE_FINDING,
  }),
  landmark('iliac_crest', 'int', {
    direction: 'horizontal',
    runs: say('anatomy.nearlyLevelLittleDownFront'),
    where: ILIAC_CREST,
    posture: say('anatomy.rightArmAcrossChestLifted'),
  }),
  landmark('supraspinale', 'int', {
    direction: 'diagonal',
    runs: say('anatomy.downAbout45'),
    where: say('anatomy.whereLineFrontHipPoint'),
    posture: say('anatomy.standingArmsSides'),
    finding: say('anatomy.findFrontHipPointFirst'),
  }),
  landmark('abdominal', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.fiveCentimetersRightNavel'),
    offset: say('anatomy.n5CmNavel'),
    posture: say('anatomy.standingBellyRelaxedBreathingQuietly'),
  }),
  landmark('front_thigh', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.frontMidlineHalfwayBetweenCrease'),
    posture: say('anatomy.seatedFrontEdgeBenchKnee'),
    finding: CREASE_FINDING,
    techniques: [
      { id: 'seated', name: say('anatomy.seated'), how: say('anatomy.plainLies') },
      {
        id: 'supported',
        name: say('anatomy.supported'),
        how: say('anatomy.clientLiftsUndersideThighBoth'),
      },
      {
        id: 'assisted',
        name: say('anatomy.assisted'),
        how: say('anatomy.legStraightHeelDownLifted'),
      },
    ],
  }),
  landmark('medial_calf', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: say('anatomy.insideCalfLargestGirth'),
    posture: CALF_POSTURE,
  }),
]
