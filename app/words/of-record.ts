import * as core from '#core'
import { telling } from './told'

/* What the desk says of a record. The names are the core's, which give data. */

export const quantityName = telling(core.quantityName)
export const headlineText = telling(core.headlineText)
