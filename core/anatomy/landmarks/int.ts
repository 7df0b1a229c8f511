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
    posture: 'Arm hanging loose, palm a little to the front.',
  }),
  landmark('biceps', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Front of the arm over the muscle, at the same level as the triceps fold.',
    offset: 'at the triceps level',
    posture: 'Arm hanging loose, palm a little to the front.',
  }),
  landmark('subscapular', 'int', {
    direction: 'diagonal',
    runs: 'down and out, 45°',
    where:
      'Two centimeters from the lower tip of the shoulder blade, along a line outward and down.',
    offset: '2 cm along a line at 45°',
    posture: 'Arm down and loose.',
    finding: BLADE_FINDING,
  }),
  landmark('iliac_crest', 'int', {
    direction: 'horizontal',
    runs: 'nearly level, a little down to the front',
    where: ILIAC_CREST,
    posture: 'Right arm across the chest or lifted out of the way.',
  }),
  landmark('supraspinale', 'int', {
    direction: 'diagonal',
    runs: 'down and in, about 45°',
    where:
      'Where the line from the front hip point to the front of the armpit crosses the level of the hip crest.',
    posture: 'Standing, arms at the sides.',
    finding: 'Find the front hip point first, then the top of the crest at the side.',
  }),
  landmark('abdominal', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Five centimeters to the right of the navel.',
    offset: '5 cm from the navel',
    posture: 'Standing, belly relaxed, breathing quietly.',
  }),
  landmark('front_thigh', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Front midline, halfway between the crease of the groin and the top of the kneecap.',
    posture: 'Seated at the front edge of a bench, knee at a right angle.',
    finding: CREASE_FINDING,
    techniques: [
      { name: 'seated', how: 'Plain, as it lies.' },
      {
        name: 'supported',
        how: 'The client lifts the underside of the thigh with both hands.',
      },
      { name: 'assisted', how: 'The leg is straight, heel down, or lifted by a helper.' },
    ],
  }),
  landmark('medial_calf', 'int', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Inside of the calf, at its largest girth.',
    posture: CALF_POSTURE,
  }),
]
