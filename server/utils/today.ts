import { isoDateOf, type IsoDate } from '#core'

/** The calendar date of this machine. The core has no clock; this is where the server looks at it. */
export function todayHere(): IsoDate {
  return isoDateOf(new Date())
}
