import { type Landmark, landmark } from './landmark'
import { BLADE_FINDING, CALF_POSTURE, CREASE_FINDING, DOWN } from './phrases'

/** American sports-medicine textbooks. */
export const US: Landmark[] = [
  landmark('chest', 'us', {
    direction: 'diagonal',
    runs: 'down and in, toward the nipple',
    where: {
      male: 'Halfway along the line from the front fold of the armpit to the nipple.',
      female:
        'On the line from the front fold of the armpit to the nipple, a third of the way down it.',
    },
    posture: 'Arm hanging, chest muscle relaxed.',
  }),
  landmark('midaxillary', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where:
      'On the line straight down from the middle of the armpit, level with the bottom of the breastbone.',
    posture: 'Arm moved a little back or up, out of the way.',
    techniques: [
      { name: 'vertical', how: 'Along the line of the armpit.' },
      { name: 'horizontal', how: 'A horizontal fold at the same point.' },
    ],
  }),
  landmark('triceps', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where:
      'Back of the arm on its midline, halfway between the bony tip of the shoulder and the point of the elbow.',
    posture: 'Arm hanging loose at the side.',
    finding: 'Elbow bent to a right angle to find the halfway point, then the arm down.',
  }),
  landmark('biceps', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where:
      'Front of the arm over the belly of the muscle, one centimeter above the level of the triceps fold.',
    offset: '1 cm above the triceps level',
    posture: 'Arm hanging, palm to the front.',
  }),
  landmark('subscapular', 'us', {
    direction: 'diagonal',
    runs: 'down and out, 45°',
    where: 'One to two centimeters below the lower tip of the shoulder blade.',
    offset: '1 to 2 cm below the tip',
    posture: 'Arm down and loose.',
    finding: BLADE_FINDING,
  }),
  landmark('abdominal', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Two centimeters to the right of the navel.',
    offset: '2 cm from the navel',
    posture: 'Standing, belly relaxed, breathing quietly.',
    variants: [
      'A horizontal fold 3 cm beside and 1 cm below the navel is another site, not this one.',
    ],
  }),
  landmark('suprailiac', 'us', {
    direction: 'diagonal',
    runs: 'down and in, along the crest',
    where:
      'Just above the hip crest, on the line down from the front of the armpit. Do not drift further forward.',
    posture: 'Arm a little to the back.',
  }),
  landmark('suprailiac_sloan', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Over the hip crest itself, on the line straight down from the middle of the armpit.',
    posture: 'Arm a little to the back.',
  }),
  landmark('thigh', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Front midline, halfway between the crease of the groin and the top of the kneecap.',
    posture: 'Standing, weight on the other leg, this one loose with the knee a little bent.',
    finding: CREASE_FINDING,
  }),
  landmark('medial_calf', 'us', {
    direction: 'vertical',
    runs: DOWN,
    where: 'Inside of the calf, where it is thickest.',
    posture: CALF_POSTURE,
  }),
]
