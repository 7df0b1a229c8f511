import { type Landmark, landmark } from './landmark'

/** Common practice among trainers. */
export const GYM: Landmark[] = [
  landmark('lower_back', 'gym', {
    direction: 'diagonal',
    runs: 'down and out',
    where: 'Beside the spine above the hip, over the dimple, where the fold is thickest.',
    posture: 'Standing upright, back muscles loose.',
  }),
]
