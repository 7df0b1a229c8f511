import { type Message, say } from '../say'
import type { GirthId, SkinfoldId } from '../anatomy/ids'
import { inputError } from '../errors'

function positive(input: string, label: Message, value: number, unit: string): number {
  if (!(Number.isFinite(value) && value > 0)) {
    throw inputError(input, 'impossible', label, value, say('methods.above0', { unit }))
  }
  return value
}

function perSquareMetre(kg: number, heightCm: number): number {
  return kg / (positive('heightCm', say('methods.height'), heightCm, 'cm') / 100) ** 2
}

/** Body mass index, kg/m². @param massKg kg @param heightCm cm @throws InputError naming the input */
export function bodyMassIndex(massKg: number, heightCm: number): number {
  return perSquareMetre(positive('massKg', say('methods.bodyMass'), massKg, 'kg'), heightCm)
}

/** Waist over hip, both in one unit. The range tables say which waist they want. */
export function waistToHip(waist: number, hip: number): number {
  return (
    positive('waist', say('methods.waist'), waist, 'cm') /
    positive('hip', say('methods.hip'), hip, 'cm')
  )
}

/** Waist over height, both in one unit. */
export function waistToHeight(waist: number, height: number): number {
  return (
    positive('waist', say('methods.waist'), waist, 'cm') /
    positive('heightCm', say('methods.height'), height, 'cm')
  )
}

/** Fat mass index, kg/m². */
export function fatMassIndex(fatMassKg: number, heightCm: number): number {
  return perSquareMetre(positive('fatMassKg', say('methods.fatMass'), fatMassKg, 'kg'), heightCm)
}

/** Fat-free (lean) mass index, kg/m². */
export function leanMassIndex(leanMassKg: number, heightCm: number): number {
  return perSquareMetre(positive('leanMassKg', say('methods.leanMass'), leanMassKg, 'kg'), heightCm)
}

/**
 * Lean mass index brought to a height of 1.80 m: FFMI + 6.1 (1.80 - height in m).
 * Kouri EM et al., Clin J Sport Med 1995;5:223-228, from memory; a variant with 6.3 circulates.
 *
 * @param slope 6.1, or 6.3 for the variant
 */
export function normalisedLeanMassIndex(
  leanMassKg: number,
  heightCm: number,
  slope: 6.1 | 6.3 = 6.1,
): number {
  return leanMassIndex(leanMassKg, heightCm) + slope * (1.8 - heightCm / 100)
}

/** Which fold lies over which girth, for the corrected girth. Standard anthropometry. */
export const FOLD_OVER_GIRTH: Partial<Record<GirthId, SkinfoldId[]>> = {
  upper_arm_relaxed: ['triceps'],
  mid_thigh_girth: ['thigh', 'front_thigh'],
  calf_girth: ['medial_calf'],
}

/**
 * Girth of muscle and bone: girth - pi x fold. Standard anthropometry; takes the limb for a circle.
 *
 * @param girthCm cm
 * @param foldMm mm, of the fold over that girth
 * @returns cm
 * @throws InputError when the fold leaves nothing of the girth
 */
export function correctedGirth(girthCm: number, foldMm: number): number {
  const left =
    positive('girth', say('methods.girth'), girthCm, 'cm') -
    Math.PI * (positive('fold', say('methods.skinfold'), foldMm, 'mm') / 10)
  if (left <= 0) {
    throw inputError(
      'fold',
      'impossible',
      say('methods.skinfold'),
      foldMm,
      say('methods.lessMmGirth', { value: ((girthCm * 10) / Math.PI).toFixed(1) }),
    )
  }
  return left
}

/**
 * What one millimetre more at each fold does to the result.
 *
 * @param result the quantity as a function of the values, as `estimate` gives it
 * @param values fold values, mm
 * @returns by site, in the unit of the result
 */
export function sensitivity<S extends string>(
  result: (values: Record<S, number>) => number,
  values: Record<S, number>,
): Record<S, number> {
  const base = result(values)
  const sites = Object.keys(values) as S[]
  return Object.fromEntries(
    sites.map((site) => [site, result({ ...values, [site]: values[site] + 1 }) - base]),
  ) as Record<S, number>
}
