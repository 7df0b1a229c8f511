import { type Message, say } from '../say'
import { type GirthId, type Sex, WAISTS, type Waist } from '../anatomy/ids'
import { bodyMassIndex, waistToHeight, waistToHip } from '../composition/indices'
import { type Classification, NORM_TABLES, type NormQuantity, classify } from './tables'

const WAIST_NAMES: Record<Waist, Message> = {
  waist: say('norms.narrowest'),
  waist_midway: say('norms.midway'),
  abdomen: say('norms.navel'),
  iliac: say('norms.hipCrests'),
}

/** Where a waist was taken, in words. */
export const waistName = (waist: Waist) => WAIST_NAMES[waist]

/** One index of a body with its classes. */
export interface IndexFigure {
  id: Exclude<NormQuantity, 'fatPercent'>
  /** kg/m², a ratio, or cm. */
  value: number
  /** The waist that it is made with. */
  waist?: Waist
  /** By every table of the index that says something of the age: first those made for this waist. */
  classes: Classification[]
}

/** What the indices are made of; cm and kg. */
export interface IndexInputs {
  sex: Sex
  ageYears?: number
  heightCm?: number
  massKg?: number
  girths: Partial<Record<GirthId, number>>
}

/**
 * Every index that the measurements allow: BMI, and for each waist that was taken its risk, waist to hip and waist to
 * height, each with its classes.
 */
export function indicesOf({ sex, ageYears, heightCm, massKg, girths }: IndexInputs): IndexFigure[] {
  const figure = (id: IndexFigure['id'], value: number, waist?: Waist): IndexFigure => {
    const classes = NORM_TABLES.filter((table) => table.of === id).flatMap(
      (table) => classify(table.id, value, { sex, ageYears }, waist) ?? [],
    )
    const fitting = classes.filter(({ girthNote }) => girthNote === undefined)
    const others = classes.filter(({ girthNote }) => girthNote !== undefined)
    return { id, value, ...(waist ? { waist } : {}), classes: [...fitting, ...others] }
  }
  const { hip } = girths
  return [
    ...(massKg !== undefined && heightCm !== undefined
      ? [figure('bmi', bodyMassIndex(massKg, heightCm))]
      : []),
    ...WAISTS.flatMap((waist) => {
      const cm = girths[waist]
      if (cm === undefined) return []
      return [
        figure('waist', cm, waist),
        ...(hip === undefined ? [] : [figure('waistToHip', waistToHip(cm, hip), waist)]),
        ...(heightCm === undefined
          ? []
          : [figure('waistToHeight', waistToHeight(cm, heightCm), waist)]),
      ]
    }),
  ]
}
