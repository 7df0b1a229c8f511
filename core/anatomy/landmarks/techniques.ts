/** How each standard takes a fold, step by step. */
export interface FoldTechnique {
  standard: 'us' | 'int' | 'gym'
  name: string
  marking: string
  grip: string
  reading: string
  order: string
  repeat: string
}

export const TECHNIQUES: readonly FoldTechnique[] = [
  {
    standard: 'us',
    name: 'American sports-medicine textbooks',
    marking: 'Find each landmark and mark a dot.',
    grip: 'Thumb and index finger lift skin and fat off the muscle; if unsure, the client tenses and relaxes. Jaws 1 cm below the fingers, square to the fold, halfway between its crest and its base. Keep the pinch until the jaws are off.',
    reading: 'One to two seconds after the jaws close; later the fat creeps out and it reads less.',
    order: 'All sites once, then all again, so that each fold recovers.',
    repeat: 'A third when the two differ by more than 1 to 2 mm; the mean of the pair that agrees.',
  },
  {
    standard: 'int',
    name: 'International anthropometry',
    marking: 'Mark every landmark first, then measure.',
    grip: 'Thumb and index finger; jaws 1 cm from them, as deep as the fingernail is long, square to the fold.',
    reading: 'Two seconds after the jaws close.',
    order: 'A complete circuit, then again.',
    repeat:
      'A third when the two differ by more than 5 %, or by one graduation of the caliper where that is larger; mean of two, median of three.',
  },
  {
    standard: 'gym',
    name: 'Common practice among trainers, no source',
    marking: 'The client’s own fixed mark: a mole, a freckle, a scar, noted down.',
    grip: 'Half an inch below the fingers; some use calipers that click.',
    reading: 'At the click, or at once.',
    order: 'A circuit twice, or two or three quick readings at one site.',
    repeat: 'A third when the two differ by more than 2 mm; the mean.',
  },
]
