import { say } from '../../say'
import { type Landmark, landmark } from './landmark'

/** Common practice among trainers. */
export const GYM: Landmark[] = [
  landmark('lower_back', 'gym', {
    direction: 'diagonal',
    runs: say('anatomy.downOut'),
    where: say('anatomy.besideSpineAboveHipOver'),
    posture: say('anatomy.standingUprightBackMusclesLoose'),
  }),
]
