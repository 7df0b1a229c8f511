import { fixed, formatLength, waistName, type IndexFigure, type LengthUnit } from '#core'

const NAMES: Record<IndexFigure['id'], string> = {
  bmi: 'BMI',
  waist: 'Waist',
  waistToHip: 'Waist to hip',
  waistToHeight: 'Waist to height',
}

/** What an index is called, with the waist that it is made of, and its value in the coach's unit. */
export function indexWords({ id, value, waist }: IndexFigure, unit: LengthUnit) {
  const shown = {
    bmi: () => `${fixed(value, 1)} kg/m²`,
    waist: () => formatLength(value, unit),
    waistToHip: () => fixed(value, 2),
    waistToHeight: () => fixed(value, 2),
  }
  return { name: waist ? `${NAMES[id]}, ${waistName(waist)}` : NAMES[id], value: shown[id]() }
}
