import type { KnownSite, Sex } from '../anatomy/ids'
import type { GroupTerm } from '../equations/types'
import { inputError } from '../errors'
import { say, type Message } from '../say'
import { correctedGirth } from '../composition/indices'
import { needed, type Measures } from './measures'

/*
 * Muscle and bone by single equations, from memory of the sources named. Girths are less pi times the fold over them.
 */

/** Whom a figure is of. */
export interface Owner {
  sex: Sex
  ageYears?: number
  /** The source's own term for a group; none where not set. */
  groupTerm?: GroupTerm
}

/** One equation of a mass or an area. */
export interface MuscleEquation {
  id: string
  name: Message
  gives: 'kg' | 'cm²'
  needs: readonly (KnownSite | 'height' | 'mass')[]
  /** Of whom it says something; both sexes of any age where not said. */
  sex?: Sex
  ages?: { youngest: number; oldest: number }
  countsAge?: true
  /** What the source adds for a group, where somebody wants it applied; in the unit of the figure. */
  groupTerms?: Readonly<Record<GroupTerm, number>>
  /** Standard error of the source, in its unit; null where we do not know it. */
  standardError: number | null
  grade: 'A' | 'B'
  source: string
  /** What it is good for, and what not. */
  goodFor: Message
  /** Without the term of a group. */
  value(measures: Measures, owner: Owner): number
}

const LIMBS = ['height', 'upper_arm_relaxed', 'triceps', 'calf_girth', 'medial_calf'] as const
const THIGH = ['mid_thigh_girth', 'front_thigh'] as const

/** Corrected girths of arm, thigh and calf, cm. */
function limbsOf(measures: Measures) {
  const m = needed(measures, [...LIMBS, ...THIGH])
  return {
    ...{ height: m.height, arm: correctedGirth(m.upper_arm_relaxed, m.triceps) },
    ...{
      thigh: correctedGirth(m.mid_thigh_girth, m.front_thigh),
      calf: correctedGirth(m.calf_girth, m.medial_calf),
    },
  }
}

const male = ({ sex }: Owner) => (sex === 'male' ? 1 : 0)

export const MUSCLE_EQUATIONS: readonly MuscleEquation[] = [
  {
    id: 'lee-limbs',
    name: say('profile.leeLimbs'),
    gives: 'kg',
    needs: [...LIMBS, ...THIGH],
    ages: { youngest: 18, oldest: 81 },
    countsAge: true,
    groupTerms: { asian: -2, black: 1.1 },
    standardError: 2.2,
    grade: 'A',
    source: 'Lee RC et al. Am J Clin Nutr 2000;72:796-803',
    goodFor: say('profile.leeLimbsFor'),
    value(measures, owner) {
      const { height, arm, thigh, calf } = limbsOf(measures)
      return (
        (height / 100) * (0.00744 * arm ** 2 + 0.00088 * thigh ** 2 + 0.00441 * calf ** 2) +
        2.4 * male(owner) -
        0.048 * owner.ageYears! +
        7.8
      )
    },
  },
  {
    id: 'lee-mass',
    name: say('profile.leeMass'),
    gives: 'kg',
    needs: ['height', 'mass'],
    ages: { youngest: 18, oldest: 81 },
    countsAge: true,
    groupTerms: { asian: -1.2, black: 1.4 },
    standardError: 2.8,
    grade: 'A',
    source: 'Lee RC et al. Am J Clin Nutr 2000;72:796-803',
    goodFor: say('profile.leeMassFor'),
    value(measures, owner) {
      const { height, mass } = needed(measures, ['height', 'mass'])
      return 0.244 * mass + 7.8 * (height / 100) + 6.6 * male(owner) - 0.098 * owner.ageYears! - 3.3
    },
  },
  {
    id: 'martin',
    name: say('profile.martin'),
    gives: 'kg',
    needs: ['height', ...THIGH, 'forearm', 'calf_girth', 'medial_calf'],
    sex: 'male',
    standardError: null,
    grade: 'A',
    source: 'Martin AD et al. Med Sci Sports Exerc 1990;22:729-733',
    goodFor: say('profile.martinFor'),
    value(measures) {
      const m = needed(measures, ['height', ...THIGH, 'forearm', 'calf_girth', 'medial_calf'])
      const thigh = correctedGirth(m.mid_thigh_girth, m.front_thigh)
      const calf = correctedGirth(m.calf_girth, m.medial_calf)
      return (
        (m.height * (0.0553 * thigh ** 2 + 0.0987 * m.forearm ** 2 + 0.0331 * calf ** 2) - 2445) /
        1000
      )
    },
  },
  {
    id: 'doupe',
    name: say('profile.doupe'),
    gives: 'kg',
    needs: [...LIMBS, ...THIGH],
    sex: 'male',
    standardError: null,
    grade: 'B',
    source: 'Doupe MB et al. Can J Appl Physiol 1997;22:598-608',
    goodFor: say('profile.doupeFor'),
    value(measures) {
      const { height, arm, thigh, calf } = limbsOf(measures)
      return (height * (0.031 * thigh ** 2 + 0.064 * calf ** 2 + 0.089 * arm ** 2) - 3006) / 1000
    },
  },
  {
    id: 'poortmans',
    name: say('profile.poortmans'),
    gives: 'kg',
    needs: [...LIMBS, ...THIGH],
    ages: { youngest: 7, oldest: 16 },
    countsAge: true,
    standardError: null,
    grade: 'B',
    source: 'Poortmans JR et al. J Sports Sci Med 2005;4:438-443',
    goodFor: say('profile.poortmansFor'),
    value(measures, owner) {
      const { height, arm, thigh, calf } = limbsOf(measures)
      return (
        (height / 100) * (0.0064 * arm ** 2 + 0.0032 * thigh ** 2 + 0.0015 * calf ** 2) +
        2.56 * male(owner) +
        0.136 * owner.ageYears!
      )
    },
  },
  {
    id: 'arm-muscle',
    name: say('profile.armMuscle'),
    gives: 'cm²',
    needs: ['upper_arm_relaxed', 'triceps'],
    ages: { youngest: 18, oldest: 120 },
    standardError: null,
    grade: 'A',
    source: 'Heymsfield SB et al. Am J Clin Nutr 1982;36:680-690',
    goodFor: say('profile.armMuscleFor'),
    value(measures, owner) {
      const m = needed(measures, ['upper_arm_relaxed', 'triceps'])
      const area = correctedGirth(m.upper_arm_relaxed, m.triceps) ** 2 / (4 * Math.PI)
      return area - (owner.sex === 'male' ? 10 : 6.5)
    },
  },
  {
    id: 'thigh-muscle',
    name: say('profile.thighMuscle'),
    gives: 'cm²',
    needs: [...THIGH],
    ages: { youngest: 18, oldest: 120 },
    standardError: null,
    grade: 'B',
    source: 'Housh DJ et al. Med Sci Sports Exerc 1995;27:784-791',
    goodFor: say('profile.thighMuscleFor'),
    value(measures) {
      const m = needed(measures, THIGH)
      return 4.68 * m.mid_thigh_girth - 2.09 * m.front_thigh - 80.99
    },
  },
  {
    id: 'rocha-bone',
    name: say('profile.rochaBone'),
    gives: 'kg',
    needs: ['height', 'wrist_breadth', 'femur'],
    standardError: null,
    grade: 'A',
    source: 'Rocha MSL. Arquivos de Anatomia e Antropologia 1975;1:445-451',
    goodFor: say('profile.rochaBoneFor'),
    value(measures) {
      const m = needed(measures, ['height', 'wrist_breadth', 'femur'])
      const metres = (cm: number) => cm / 100
      return (
        3.02 * (metres(m.height) ** 2 * metres(m.wrist_breadth) * metres(m.femur) * 400) ** 0.712
      )
    },
  },
  {
    id: 'wurch-rest',
    name: say('profile.wurchRest'),
    gives: 'kg',
    needs: ['mass'],
    standardError: null,
    grade: 'A',
    source: 'Würch A. Schweiz Z Sportmed 1974;22:189-197',
    goodFor: say('profile.wurchRestFor'),
    value(measures, owner) {
      const { mass } = needed(measures, ['mass'])
      return (owner.sex === 'male' ? 0.241 : 0.209) * mass
    },
  },
]

/** What an equation's source adds for the group that is set for somebody; 0 where it has no term for it. */
export const groupTermOf = ({ groupTerms }: MuscleEquation, { groupTerm }: Owner): number =>
  groupTerm ? (groupTerms?.[groupTerm] ?? 0) : 0

/** Why an equation says nothing of somebody, or undefined. */
export function outsideOf(
  { sex, ages, countsAge }: MuscleEquation,
  owner: Owner,
): 'sex' | 'ageYears' | undefined {
  if (sex && sex !== owner.sex) return 'sex'
  const { ageYears } = owner
  if (ageYears === undefined) return countsAge ? 'ageYears' : undefined
  return ages && (ageYears < ages.youngest || ageYears > ages.oldest) ? 'ageYears' : undefined
}

/**
 * A mass (kg) or an area (cm²) of muscle or bone.
 *
 * @throws InputError naming `sex`, `ageYears` or the measure that keeps it from being worked out
 */
export function muscleFigure(equation: MuscleEquation, measures: Measures, owner: Owner): number {
  const outside = outsideOf(equation, owner)
  if (outside === 'sex') {
    throw inputError('sex', 'outside-domain', equation.name, owner.sex, equation.sex!)
  }
  if (outside) {
    const { youngest, oldest } = equation.ages ?? { youngest: 0, oldest: 120 }
    const accepted = say('profile.ages', { youngest, oldest })
    const problem = owner.ageYears === undefined ? 'missing' : 'outside-domain'
    throw inputError('ageYears', problem, equation.name, owner.ageYears, accepted)
  }
  return equation.value(measures, owner) + groupTermOf(equation, owner)
}
