/** Phrases that more than one landmark standard uses. */
export const DOWN = 'straight down'
export const BLADE_FINDING =
  'Hand behind the back makes the tip of the shoulder blade stand out; then the arm down.'
export const CREASE_FINDING = 'The knee lifted a little shows the crease of the groin.'
export const CALF_POSTURE = 'Foot on a bench, knee at a right angle, calf loose.'

export const TRICEPS_INT =
  'Back of the arm, at the level halfway between the top edge of the shoulder bone and the head of the radius.'
export const ILIAC_CREST =
  'Just above the hip crest, on the line straight down from the middle of the armpit.'
