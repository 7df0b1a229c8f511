import type { School, Sex, SkinfoldId } from './ids'

export type FoldDirection = 'vertical' | 'diagonal' | 'horizontal'

/** How one school lands and lifts one skinfold. */
export interface Landmark {
  site: SkinfoldId
  school: School
  name: string
  direction: FoldDirection
  /** Which way the fold runs, in words for the figure's caption. */
  runs: string
  /** Where it is, for somebody standing beside the client. */
  where: Record<Sex, string>
  /** Posture while it is taken. */
  posture: string
}

const forBoth = (text: string): Record<Sex, string> => ({ male: text, female: text })

const us: Landmark[] = [
  {
    site: 'chest',
    school: 'us',
    name: 'Chest',
    direction: 'diagonal',
    runs: 'down and in, towards the nipple',
    where: {
      male: 'Half-way along the line from the front fold of the armpit to the nipple.',
      female:
        'On the line from the front fold of the armpit to the nipple, a third of the way down it.',
    },
    posture: 'Arm hanging, chest muscle relaxed.',
  },
  {
    site: 'midaxillary',
    school: 'us',
    name: 'Midaxillary',
    direction: 'vertical',
    runs: 'straight down',
    where: forBoth(
      'On the line straight down from the middle of the armpit, level with the bottom of the breastbone.',
    ),
    posture: 'Arm moved a little back or up, out of the way.',
  },
  {
    site: 'triceps',
    school: 'us',
    name: 'Triceps',
    direction: 'vertical',
    runs: 'straight down',
    where: forBoth(
      'Back of the arm on its midline, half-way between the bony tip of the shoulder and the point of the elbow.',
    ),
    posture: 'Arm hanging loose at the side.',
  },
  {
    site: 'subscapular',
    school: 'us',
    name: 'Subscapular',
    direction: 'diagonal',
    runs: 'down and out, 45°',
    where: forBoth('One to two centimetres below the lower tip of the shoulder blade.'),
    posture: 'Hand behind the back to find the tip, then the arm down and loose.',
  },
  {
    site: 'abdominal',
    school: 'us',
    name: 'Abdominal',
    direction: 'vertical',
    runs: 'straight down',
    where: forBoth('Two centimetres to the right of the navel.'),
    posture: 'Standing, belly relaxed, breathing quietly.',
  },
  {
    site: 'suprailiac',
    school: 'us',
    name: 'Suprailiac',
    direction: 'diagonal',
    runs: 'down and in, along the crest',
    where: forBoth(
      'Just above the hip crest, on the line down from the front of the armpit. Do not drift further forward.',
    ),
    posture: 'Arm a little to the back.',
  },
  {
    site: 'thigh',
    school: 'us',
    name: 'Thigh',
    direction: 'vertical',
    runs: 'straight down',
    where: forBoth(
      'Front midline, half-way between the crease of the groin and the top of the kneecap.',
    ),
    posture: 'Weight on the other leg, this one loose with the knee a little bent.',
  },
]

const landmarks = [...us]

/**
 * How a school lands a skinfold.
 *
 * @returns the landmark, or undefined where that school does not use the site
 */
export function landmarkOf(site: SkinfoldId, school: School): Landmark | undefined {
  return landmarks.find((l) => l.site === site && l.school === school)
}
