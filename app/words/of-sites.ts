import * as core from '#core'
import { tell, telling } from './told'

/* What the floor says of people and sites. The names are the core's, which give data. */

export const nameOf = telling(core.nameOf)
export const namesOf = telling(core.namesOf)
export const siteNameIn = telling(core.siteNameIn)
export const siteGuide = telling(core.siteGuide)
export const ageText = telling(core.ageText)
export const foldSumName = telling(core.foldSumName)
export const equationSumName = telling(core.equationSumName)
export const conditionWarnings = telling(core.conditionWarnings)
export const conditionDifferences = telling(core.conditionDifferences)

/** What a person calls a landmark standard. */
export const standardName = (standard: core.LandmarkStandard): string =>
  tell(core.LANDMARK_STANDARD_NAMES[standard])
