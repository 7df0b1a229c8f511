import { z } from 'zod'
import { addDays, isIsoDate, isoDateOf } from '../core'
import { refused } from './problems'

export const idSchema = z.uuid(refused('Id', 'a UUID'))

const date = refused('Date', 'a date that exists, as 1985-03-14')

export const isoDateSchema = z.string(date).refine(isIsoDate, date)

/**
 * A day on which something was done: today or before. A day more is let through, since a phone in another time zone may
 * be there already.
 */
export function pastDateSchema(label: string) {
  return isoDateSchema.refine(
    (day) => !isIsoDate(day) || day <= addDays(isoDateOf(new Date()), 1),
    refused(label, 'today or a date before'),
  )
}
