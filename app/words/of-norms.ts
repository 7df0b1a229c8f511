import * as core from '#core'
import { telling } from './told'

/** Where a waist was taken. */
export const waistName = telling(core.waistName)
