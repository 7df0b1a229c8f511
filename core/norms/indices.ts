import { type Message, say } from '../say'
import { type GirthId, type Sex, WAISTS, type Waist } from '../anatomy/ids'
import { bodyMassIndex, waistToHeight, waistToHip } from '../composition/indices'
import { bmiStanding, heightStanding, type Standing } from './growth'
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
  /** kg/m², a ratio, cm, or standard deviations from the middle of an age. */
  value: number
  /** The waist that it is made with. */
  waist?: Waist
  /** Of those of the same sex and age, how many in 100 have less. */
  fewer?: number
  /** By every table of the index that says something of the age: first those made for this waist. */
  classes: Classification[]
}

/** What the indices are made of; cm and kg. */
export interface IndexInputs {
  sex: Sex
  ageYears?: number
  /** Completed months of somebody under 19, where the day of birth is known; else the middle of the year of age is taken. */
  ageMonths?: number
  heightCm?: number
  massKg?: number
  girths: Partial<Record<GirthId, number>>
}

/**
 * Every index that the measurements allow: BMI, of the young also where BMI and height stand among their age, and for each
 * waist that was taken its risk, waist to hip and waist to height, each with its classes.
 */
export function indicesOf(inputs: IndexInputs): IndexFigure[] {
  const { sex, ageYears, heightCm, massKg, girths } = inputs
  const figure = (id: IndexFigure['id'], value: number, waist?: Waist): IndexFigure => {
    const classes = NORM_TABLES.filter((table) => table.of === id).flatMap(
      (table) => classify(table.id, value, { sex, ageYears }, waist) ?? [],
    )
    const fitting = classes.filter(({ girthNote }) => girthNote === undefined)
    const others = classes.filter(({ girthNote }) => girthNote !== undefined)
    return { id, value, ...(waist ? { waist } : {}), classes: [...fitting, ...others] }
  }
  const ofAge = (id: IndexFigure['id'], found: Standing | undefined) =>
    found ? [{ ...figure(id, found.z), fewer: found.fewer }] : []
  const months = inputs.ageMonths ?? (ageYears === undefined ? NaN : ageYears * 12 + 6)
  const { hip } = girths
  return [
    ...(massKg !== undefined && heightCm !== undefined
      ? [
          figure('bmi', bodyMassIndex(massKg, heightCm)),
          ...ofAge('bmiForAge', bmiStanding(sex, months, bodyMassIndex(massKg, heightCm))),
        ]
      : []),
    ...(heightCm === undefined ? [] : ofAge('heightForAge', heightStanding(sex, months, heightCm))),
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
