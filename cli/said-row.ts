import type { BatchResult } from '../core/exchange/batch'
import { tell } from '../shared/words/tell'
import { voice } from './voice'

/** A row with its words told. */
export const saidOf = ({ warnings, error, ...rest }: BatchResult) => ({
  ...rest,
  warnings: tell(warnings, voice()),
  error: tell(error, voice()),
})
