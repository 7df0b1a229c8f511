import { type Landmark, landmark } from './landmark'
import { BLADE_FINDING, DOWN, ILIAC_CREST } from './phrases'

/** Durnin and Womersley's own four: three limb and trunk folds as either standard has them, and their own suprailiac. */
export const DW: Landmark[] = [
  landmark('biceps', 'dw', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Front of the arm over the middle of the muscle belly.',
    posture: 'Arm resting, palm to the front.',
  }),
  landmark('triceps', 'dw', {
    direction: 'vertical',
    runs: DOWN,
    where:
      'Back of the arm on its midline, halfway between the bony tip of the shoulder and the point of the elbow.',
    posture: 'Arm hanging loose at the side.',
  }),
  landmark('subscapular', 'dw', {
    direction: 'diagonal',
    runs: 'down and out, 45°',
    where: 'Just below the lower tip of the shoulder blade.',
    posture: 'Arm down and loose.',
    finding: BLADE_FINDING,
  }),
  landmark('iliac_crest', 'dw', {
    direction: 'horizontal',
    runs: 'nearly level, a little down to the front',
    where: ILIAC_CREST,
    posture: 'Right arm out of the way.',
  }),
]
