import { mean } from 'simple-statistics'
import { type GirthId, isGirth } from '../anatomy/ids'
import { USUAL_SETUP, type MeasurementSetup } from '../measurement-error/site-error'
import type { IsoDate } from '../units/dates'
import { usualRules } from '../protocols/own-protocol'
import type { Measured } from './measured'

/** A girth that a client took of themselves, cm. */
export interface SelfGirth {
  date: IsoDate
  girth: GirthId
  /** From 1. */
  trial: number
  cm: number
}

/** Who took it: a tester of their own, whoever else measures. */
const SELF_TESTER = 'self'

/** The hand and the tape of somebody who measures themselves. */
const SELF_SETUP: MeasurementSetup = {
  ...USUAL_SETUP,
  skill: 'novice',
  selfTaken: true,
  graduation: { cm: 0.5 },
}

/**
 * Girths that a client took of themselves, a check-in for each day, as the judgement takes it: by the rules of the
 * international standard, with the error of a self-taken girth, and by a tester of their own. They are judged by
 * themselves, or beside the coach's own as another tester, and never as one series with them.
 *
 * @returns oldest first
 */
export function selfMeasured(girths: readonly SelfGirth[]): Measured[] {
  const days = [...new Set(girths.map(({ date }) => date))].sort()
  return days.map((date): Measured => {
    const ofDay = girths.filter((one) => one.date === date)
    const sites = [...new Set(ofDay.map(({ girth }) => girth))].filter(isGirth)
    return {
      measuredOn: date,
      protocolId: `own-${SELF_TESTER}`,
      ownProtocol: {
        ...usualRules('int'),
        ...{
          id: `own-${SELF_TESTER}`,
          name: SELF_TESTER,
          standard: 'int',
          folds: [],
          bones: [],
          girths: sites,
        },
      },
      conversion: 'siri',
      setup: SELF_SETUP,
      testerId: SELF_TESTER,
      readings: ofDay.map(({ girth, trial, cm }) => ({
        id: `${date} ${girth} ${trial}`,
        kind: 'girth',
        ...{ site: girth, standard: null, trial, value: cm },
        takenAt: `${date}T08:00:00Z`,
        supersedes: null,
      })),
    }
  })
}

/** What was taken on a day, the mean of each girth's readings, cm. */
export function selfGirthsOn(girths: readonly SelfGirth[], date: IsoDate): Map<GirthId, number> {
  return meanGirths(girths.filter((one) => one.date === date))
}

/** The mean of each girth's readings, cm. */
export function meanGirths(
  readings: readonly { girth: GirthId; cm: number }[],
): Map<GirthId, number> {
  const all = new Map<GirthId, number[]>()
  for (const { girth, cm } of readings) all.set(girth, [...(all.get(girth) ?? []), cm])
  return new Map([...all].map(([girth, values]) => [girth, mean(values)]))
}
