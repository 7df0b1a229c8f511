import type { IndexFigure, LengthUnit } from '#core'

/** What an index is called, with the waist that it is made of, and its value in the coach's unit. */
export function indexWords({ id, value, waist }: IndexFigure, unit: LengthUnit) {
  const shown = {
    bmi: () => t('reference.kgPerM2', { value: fixed(value, 1) }),
    bmiForAge: () => t('reference.deviations', { z: signed(value, 1) }),
    heightForAge: () => t('reference.deviations', { z: signed(value, 1) }),
    waist: () => formatLength(value, unit),
    waistToHip: () => fixed(value, 2),
    waistToHeight: () => fixed(value, 2),
  }
  const name = t(`reference.indexNames.${id}`)
  return { name: waist ? `${name}, ${waistName(waist)}` : name, value: shown[id]() }
}
