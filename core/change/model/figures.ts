/*
 * What the model of the record assumes. Judgement, no source: chosen by simulation with known truth over worlds in which
 * one assumption after another is wrong (npm run simulate).
 */

/** How fast a part may move, how its slope may turn, and how far it wanders besides: standard deviations. */
export interface Movement {
  /** Slope of a phase, units a week. */
  slope: number
  /** Turn of the slope, units a week per root of four weeks. */
  turn: number
  /** Wander about the line, units per root of four weeks. */
  wander: number
}

/** Errors that the hand and the method make, besides those of each site. */
export interface ModelFigures {
  /** What the technical errors of the folds are multiplied by. */
  technical: number
  /** Common to all folds of a visit, as a share of the fold: biology and handling of the day. */
  session: number
  /** The same where a sum is followed. */
  sumSession: number
  /** The same of a girth: breath, meals, how tight the tape was that day. */
  girthSession: number
  /** Another tester or caliper than the first pair, as a share of the fold. */
  pairBias: number
  /** Another tester than the first, as a share of the girth. */
  girthBias: number
  /** One day's weighing about the mass of those days, kg. */
  massKg: number
  /** Drift of an equation's bias in one person, points of fat per root of ten weeks. */
  driftPoints: number
  /** How far an equation's slope may be off in one person, as a share of the change of fat. */
  equationSlope: number
}

export const USUAL_FIGURES: Readonly<ModelFigures> = {
  technical: 1,
  session: 0.015,
  sumSession: 0.02,
  girthSession: 0.005,
  pairBias: 0.05,
  girthBias: 0.01,
  massKg: 0.63,
  driftPoints: 0.3,
  equationSlope: 0.175,
}

/** Those that a gym's own records can tell: see refit.ts. */
export const GYM_FIGURES = ['technical', 'session', 'massKg'] as const
export type GymFigures = Pick<ModelFigures, (typeof GYM_FIGURES)[number]>

/** The figures in use: the usual ones, with the gym's own in their place where there are any. */
export function figuresWith(own: GymFigures | null | undefined): ModelFigures {
  if (!own) return USUAL_FIGURES
  const { technical, session, massKg } = own
  const sumSession = (USUAL_FIGURES.sumSession * session) / USUAL_FIGURES.session
  return { ...USUAL_FIGURES, technical, session, massKg, sumSession }
}

/** A wide and a narrow movement of each part; the narrow one turns and wanders less too. */
const widths = (wide: Movement, narrowSlope: number): readonly Movement[] => [
  wide,
  { slope: narrowSlope, turn: NARROW * wide.turn, wander: NARROW * wide.wander },
]
const NARROW = 0.3

/** kg of fat and of lean. */
export const FAT_MOVES = widths({ slope: 0.5, turn: 0.08, wander: 0.15 }, 0.15)
export const LEAN_MOVES = widths({ slope: 0.25, turn: 0.03, wander: 0.1 }, 0.06)

/** The movements of fat in another unit, as mm of a sum or cm of a girth. @param per units to a kilogram of fat */
export function scaledMoves(per: number): Movement[] {
  return FAT_MOVES.map(({ slope, turn, wander }) => ({
    ...{ slope: per * slope, turn: per * turn, wander: per * wander },
  }))
}

/** A person's errors are the usual ones, or larger; each record says by itself which fits it. */
export const LARGER_ERRORS = 2
/** How many people's are larger, of the scale and of the method each. */
export const LARGER_SHARE = 0.035

/** Odds from which a change is clear, and from which it is likely; and up to which nothing that matters happened. */
export const CLEAR_ODDS = 20
export const LIKELY_ODDS = 6
export const STILL_ODDS = 1 / 3

/** What a girth gains with a kilogram of fat, as a share of it: about a centimetre of a waist. Judgement, no source. */
export const GIRTH_SHARE_PER_KG = 0.011

/** What a change has to reach to matter: kg, kg, kg, mm a fold, and half an inch of a girth in cm. */
export const MATTERS = { fat: 2, lean: 2, mass: 2, fold: 1.5, girth: 1.3 } as const
