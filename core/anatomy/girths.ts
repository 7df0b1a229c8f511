import type { GirthId, KnownGirth, LandmarkStandard } from './ids'
import { nameOf } from './names'

/** How a girth is taken. */
export interface GirthLandmark {
  id: GirthId
  name: string
  where: string
  /** Posture, breath and tension. */
  how: string
  /** What other standards do, by name; their values are not the same girth. */
  standards: Partial<Record<LandmarkStandard | 'who' | 'navy' | 'nhanes', string>>
}

const girth = (
  id: GirthId,
  where: string,
  how: string,
  standards: GirthLandmark['standards'] = {},
): GirthLandmark => ({ id, name: nameOf(id), where, how, standards })

const TRUNK = 'Level all round, read after a normal breath out, snug and not denting.'
const LIMB = 'Muscle relaxed, weight even, tape square to the limb, snug and not denting.'

/** Every girth, with where and how. The tape lies flat on the skin; each girth is taken twice. */
const GIRTHS: readonly GirthLandmark[] = [
  girth(
    'neck',
    'Just below the larynx, not on the shoulder muscle.',
    'Head level, tape sloping a little down to the front.',
    {
      int: 'Just above the thyroid cartilage.',
    },
  ),
  girth(
    'shoulders',
    'Round the broadest part of both shoulders.',
    'Arms at the sides, normal breath out.',
    {
      gym: 'Common practice, no source.',
    },
  ),
  girth('chest_girth', 'Level of the middle of the breastbone.', `${TRUNK} No held breath.`, {
    us: 'Mid-sternum.',
    int: 'Mid-sternum, end of a normal breath out.',
    gym: 'Nipple line, or just under the bust: those are the breast line and under the bust.',
  }),
  girth(
    'bust',
    'The fullest part of the breasts, over the nipples.',
    `${TRUNK} The same bra or none each time.`,
    {
      gym: 'Common practice, no source.',
    },
  ),
  girth('under_bust', 'Just under the breasts.', `${TRUNK} The same bra or none each time.`, {
    gym: 'Common practice, no source.',
  }),
  girth(
    'waist',
    'The narrowest part between ribs and hip crest; halfway between them where there is none.',
    TRUNK,
    {
      navy: 'Women of the tape method; also for waist to hip.',
    },
  ),
  girth('waist_midway', 'Halfway between the lowest rib and the hip crest, at the side.', TRUNK, {
    who: 'The waist of the World Health Organization.',
  }),
  girth('abdomen', 'Level of the navel.', TRUNK, {
    navy: 'Men of the tape method; the Army’s one site; Tran and Weltman.',
  }),
  girth('iliac', 'Level of the top of the hip crests.', TRUNK, {
    nhanes: 'The waist of the national surveys and of relative fat mass.',
  }),
  girth(
    'hip',
    'The largest girth over the buttocks.',
    'Feet together, buttocks loose, tape level.',
  ),
  girth('thigh_girth', 'Just below the fold of the buttock.', `${LIMB} Feet a little apart.`, {
    us: 'At the gluteal fold.',
    int: '1 cm below the gluteal fold.',
    gym: 'A fixed mark of the client’s own.',
  }),
  girth('mid_thigh_girth', 'Halfway between the groin and the top of the kneecap.', LIMB),
  girth('calf_girth', 'The largest girth of the calf.', `${LIMB} Not flexed.`),
  girth(
    'upper_arm_relaxed',
    'Halfway between the tip of the shoulder and the elbow.',
    'Arm hanging loose. Not after training.',
  ),
  girth(
    'upper_arm_flexed',
    'The peak of the contracted biceps.',
    'Elbow bent to a right angle, fist closed, muscle tensed. Not after training.',
  ),
  girth('forearm', 'The largest girth below the elbow.', 'Arm hanging loose, palm up.'),
  girth(
    'wrist',
    'Just below the bony knobs of the wrist, toward the hand.',
    'Hand relaxed, palm up.',
  ),
]

const byId = new Map(GIRTHS.map((g) => [g.id, g]))

/** How a girth is taken; undefined for one of a coach's own. */
export function girthLandmark(id: KnownGirth): GirthLandmark
export function girthLandmark(id: GirthId): GirthLandmark | undefined
export function girthLandmark(id: GirthId): GirthLandmark | undefined {
  return byId.get(id)
}
