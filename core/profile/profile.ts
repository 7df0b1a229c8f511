import { standardWithin } from '../anatomy/landmark-standards'
import { isSkinfold, WAISTS, type Sex, type SiteId, type Waist } from '../anatomy/ids'
import type { Sheet } from '../composition/check-in'
import {
  massVariance,
  settledVariance,
  type MeasurementSetup,
} from '../measurement-error/site-error'
import { usualRepeatError } from '../measurement-error/usual-errors'
import type { GroupTerm } from '../equations/types'
import { attempt } from '../outcome'
import { schemeOf } from '../readings/trials'
import { say, type Message } from '../say'
import {
  FIVE_WAY_MEASURES,
  fiveWayMasses,
  FOUR_WAY_MEASURES,
  fourWayMasses,
  MATIEGKA_MEASURES,
  matiegkaMasses,
  type FivePart,
  type FourPart,
  type Fractions,
  type MatiegkaPart,
} from './fractions'
import { missingIn, type Measure, type Measures } from './measures'
import {
  groupTermOf,
  MUSCLE_EQUATIONS,
  muscleFigure,
  outsideOf,
  type MuscleEquation,
} from './muscle'
import { phantomScores } from './phantom'
import { measuringError } from './propagation'
import { bodyRoundness, bodyShapeIndex, conicityIndex, waistToHeightLimited } from './shape'
import { type MeasuredSomatotype, measuredSomatotype, SOMATOTYPE_MEASURES } from './somatotype'

/** What a profile is worked out from: measures of one day with what the measuring leaves open of each. */
export interface ProfileInputs {
  sex: Sex
  ageYears?: number
  groupTerm?: GroupTerm
  measures: Measures
  /** One standard error of each, in its unit. */
  errors: Measures
}

/** A figure of muscle or bone, with both of its errors. */
export interface ProfileFigure {
  equation: MuscleEquation
  /** kg or cm². */
  value: number
  /** What the measuring leaves open: one standard error, in the unit of the value. */
  measuring: number
  /** What of the value is the source's term for a group; 0 where none is applied. */
  groupTerm: number
}

/** An index of shape by one waist. */
export interface ShapeFigure {
  id: 'bodyShape' | 'roundness' | 'conicity' | 'waistToHeight'
  waist: Waist
  value: number
  measuring: number
}

/** The masses of one school, with what the measuring leaves open of each. */
export interface MeasuredFractions<P extends string> extends Fractions<P> {
  errors: Record<P, number>
}

/** Something that a profile could say besides, and what it wants for that. */
export interface Wanting {
  what: Message
  missing: Measure[]
}

export interface Profile {
  somatotype?: MeasuredSomatotype
  phantom: { id: SiteId | 'mass'; z: number }[]
  fourWay?: MeasuredFractions<FourPart>
  fiveWay?: MeasuredFractions<FivePart>
  matiegka?: MeasuredFractions<MatiegkaPart>
  figures: ProfileFigure[]
  shape: ShapeFigure[]
  /** What is nearest to being there first. */
  wanting: Wanting[]
}

/**
 * The measures of a check-in: folds by the international standard, since what a profile is made of was made on those, and
 * such as the Czech school alone has.
 *
 * @param setupOf who read a site and with what; without a site, who measured on the whole
 */
export function profileInputs(
  sheet: Sheet,
  setupOf: (site?: SiteId) => MeasurementSetup,
): ProfileInputs {
  const { subject, measured, sites, protocol } = sheet
  const { heightCm, massKg, ageYears, groupTerm, sex } = subject
  const measures: Measures = {}
  const errors: Measures = {}
  for (const { site, standard, value } of measured) {
    if (isSkinfold(site) && standard !== standardWithin(site, 'int')) continue
    measures[site] = value
    const settled = sites[site]
    if (!settled) continue
    errors[site] = Math.sqrt(
      settledVariance(site, settled, schemeOf(protocol, site), setupOf(site)),
    )
  }
  if (heightCm !== undefined) {
    measures.height = heightCm
    errors.height = usualRepeatError('height', setupOf().skill)
  }
  if (massKg !== undefined) {
    measures.mass = massKg
    errors.mass = Math.sqrt(massVariance(1, setupOf().skill))
  }
  return { sex, ageYears, groupTerm, measures, errors }
}

function withErrors<P extends string>(
  work: (measures: Measures) => Fractions<P>,
  { measures, errors }: ProfileInputs,
): MeasuredFractions<P> | undefined {
  const made = attempt(() => work(measures))
  if (!made.ok) return undefined
  const parts = Object.keys(made.value.parts) as P[]
  const of = (part: P) => measuringError((varied) => work(varied).parts[part], measures, errors)
  return {
    ...made.value,
    errors: Object.fromEntries(parts.map((part) => [part, of(part)])) as Record<P, number>,
  }
}

const SHAPES = {
  bodyShape: bodyShapeIndex,
  roundness: bodyRoundness,
  conicity: conicityIndex,
  waistToHeight: waistToHeightLimited,
} as const

function shapesOf({ measures, errors }: ProfileInputs): ShapeFigure[] {
  return WAISTS.flatMap((waist) =>
    measures[waist] === undefined
      ? []
      : (Object.keys(SHAPES) as ShapeFigure['id'][]).flatMap((id): ShapeFigure[] => {
          const work = SHAPES[id]
          const made = attempt(() => work(measures, waist))
          if (!made.ok || made.value === undefined) return []
          const varied = (of: Measures) => work(of, waist) ?? NaN
          const measuring = measuringError(varied, measures, errors)
          return [{ id, waist, value: made.value, measuring }]
        }),
  )
}

/**
 * All that the measures of one day say of build, proportions and parts of the body, and what one more measure would
 * give.
 */
export function profileOf(inputs: ProfileInputs): Profile {
  const { sex, measures, errors } = inputs
  const meant = MUSCLE_EQUATIONS.filter((equation) => outsideOf(equation, inputs) === undefined)
  const somatotype = attempt(() => measuredSomatotype(measures, errors))
  const wanted: { what: Message; needs: readonly Measure[] }[] = [
    { what: say('profile.somatotype'), needs: SOMATOTYPE_MEASURES },
    { what: say('profile.fourWay'), needs: FOUR_WAY_MEASURES },
    { what: say('profile.fiveWay'), needs: FIVE_WAY_MEASURES },
    { what: say('profile.matiegka'), needs: MATIEGKA_MEASURES },
    ...meant.map(({ name, needs }) => ({ what: name, needs })),
  ]
  const [fourWay, fiveWay, matiegka] = [
    withErrors(fourWayMasses, inputs),
    withErrors((varied) => fiveWayMasses(varied, sex), inputs),
    withErrors(matiegkaMasses, inputs),
  ]
  return {
    ...(somatotype.ok ? { somatotype: somatotype.value } : {}),
    phantom: phantomScores(measures),
    ...(fourWay ? { fourWay } : {}),
    ...(fiveWay ? { fiveWay } : {}),
    ...(matiegka ? { matiegka } : {}),
    figures: meant.flatMap((equation): ProfileFigure[] => {
      const made = attempt(() => muscleFigure(equation, measures, inputs))
      if (!made.ok) return []
      const varied = (of: Measures) => equation.value(of, inputs)
      const measuring = measuringError(varied, measures, errors)
      const groupTerm = groupTermOf(equation, inputs)
      return [{ equation, value: made.value, measuring, groupTerm }]
    }),
    shape: shapesOf(inputs),
    wanting: wanted
      .map(({ what, needs }) => ({ what, missing: missingIn(measures, needs) }))
      .filter(({ missing }) => missing.length > 0)
      .sort((a, b) => a.missing.length - b.missing.length),
  }
}
