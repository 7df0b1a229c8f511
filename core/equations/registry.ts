import { say, listed } from '../say'
import type { Sex } from '../anatomy/ids'
import { adiposityIndex } from './adiposity-index'
import { armyFamily } from './army'
import { ballFamily } from './ball'
import { boileauFamily } from './boileau'
import { brookFamily } from './brook'
import { carterFamily } from './carter'
import { deurenbergFamily } from './deurenberg'
import { deurenbergYouth } from './deurenberg-youth'
import { durninRahaman } from './durnin-rahaman'
import { durninWomersley } from './durnin-womersley'
import { evansFamily } from './evans'
import { faulkner } from './faulkner'
import { forsythSinningFamily } from './forsyth-sinning'
import { gallagherFamily } from './gallagher'
import { gomezAmbrosiFamily } from './gomez-ambrosi'
import { guedesFamily } from './guedes'
import { jacksonPollock } from './jackson-pollock'
import { katchMcArdle } from './katch-mcardle'
import { leanFamily } from './lean'
import { lohmanFamily } from './lohman'
import { navy } from './navy'
import { nineSiteRatio } from './nine-site-ratio'
import { parizkovaFamily } from './parizkova'
import { petersonFamily } from './peterson'
import { petroskiFamily } from './petroski'
import { reillyFamily } from './reilly'
import { relativeFatMassFamily } from './relative-fat-mass'
import { slaughterFamily } from './slaughter'
import { sloanFamily } from './sloan'
import { stewartHannan } from './stewart-hannan'
import { thorlandFamily } from './thorland'
import { tranWeltman } from './tran-weltman'
import type { Equation, Variant } from './types'
import { visserFamily } from './visser'
import { wilmoreBehnke } from './wilmore-behnke'
import { withers } from './withers'
import { withersAtLarge } from './withers-at-large'
import { ymcaFamily } from './ymca'
import { yuhaszFamily } from './yuhasz'
import { inputError } from '../errors'

/** Every equation there is. Screens, docs, the recommender, the batch command and the tests read this list. */
export const EQUATIONS: readonly Equation[] = [
  ...jacksonPollock,
  ...durninWomersley,
  ...withers,
  ...carterFamily,
  ...faulkner,
  ...evansFamily,
  ...sloanFamily,
  ...slaughterFamily,
  ...nineSiteRatio,
  ...navy,
  ...armyFamily,
  ...tranWeltman,
  ...relativeFatMassFamily,
  ...deurenbergFamily,
  ...ballFamily,
  ...petersonFamily,
  ...withersAtLarge,
  ...petroskiFamily,
  ...guedesFamily,
  ...wilmoreBehnke,
  ...katchMcArdle,
  ...yuhaszFamily,
  ...durninRahaman,
  ...leanFamily,
  ...ymcaFamily,
  ...forsythSinningFamily,
  ...stewartHannan,
  ...thorlandFamily,
  ...lohmanFamily,
  ...reillyFamily,
  ...visserFamily,
  ...boileauFamily,
  ...deurenbergYouth,
  ...brookFamily,
  ...gallagherFamily,
  ...gomezAmbrosiFamily,
  ...adiposityIndex,
  ...parizkovaFamily,
]

const byId = new Map(EQUATIONS.map((equation) => [equation.id, equation]))

/**
 * The equation of that id.
 *
 * @throws InputError naming `equation` when there is none
 */
export function equationById(id: string): Equation {
  const equation = byId.get(id)
  if (!equation) {
    throw inputError(
      'equation',
      'unknown',
      say('methods.equation'),
      id,
      say('methods.one', { value: [...byId.keys()].join(', ') }),
    )
  }
  return equation
}

/**
 * The form of an equation for one sex.
 *
 * @throws InputError naming `sex` when the source gives none for it
 */
export function variantFor(equation: Equation, sex: Sex): Variant {
  const variant = equation.variants.find((v) => v.sex === sex)
  if (!variant) {
    const accepted = listed(
      equation.variants.map((v) => v.sex),
      'or',
    )
    const label = say('methods.sexFor', { equation: equation.name })
    throw inputError('sex', 'outside-domain', label, sex, accepted)
  }
  return variant
}
