import type { Sex } from '#core'

/** A sex in a line of facts. */
export const sexText = (sex: Sex): string => t(`common.sexes.${sex}`)

const formal = (sex: Sex): string => t(`common.sexChoices.${sex}`)

/** The two to choose from. */
export const sexChoices = (name: (sex: Sex) => string = formal) =>
  (['female', 'male'] as const).map((value) => ({ value, name: name(value) }))
