import { type Message, figures, type Figures } from '../say'
import { type SiteId, isSkinfold } from '../anatomy/ids'
import type { Expectation } from './likelihood'
import { fixed, formatFold, formatMass, lengthText } from '../units/format'
import type { LengthUnit, MassUnit } from '../units/parse'

export type EntryErrorKind =
  | 'decimal'
  | 'unit'
  | 'swap'
  | 'transposition'
  | 'ten'
  | 'odd trial'
  | 'repeated site'
  | 'odd mass'
  | 'copy'
  | 'moved alone'
  | 'apart'
  | 'girth jump'
  | 'visit shift'
  | 'limit'
  | 'relation'

/** A value offered in place of one that was typed. */
export interface SuggestedValue {
  site: SiteId | 'mass' | 'height'
  /** Which trial, from 1; null where every trial of the site is meant. */
  trial: number | null
  /** mm, cm or kg. */
  value: number
  /** Another value that may as well have been meant. */
  second?: number
}

/** One typed reading. */
export interface QuestionedReading {
  site: SiteId
  /** From 1. */
  trial: number
}

/** Something about the readings that asks for a second look. It never blocks. */
export interface Finding {
  kind: EntryErrorKind
  sites: (SiteId | 'mass' | 'height')[]
  /** The readings in question, where it is some and not all of the sites'. */
  readings?: QuestionedReading[]
  /** The likely intended values; empty where there is nothing to offer but a second look. */
  suggestions: SuggestedValue[]
  /** What speaks for it, for the coach. */
  evidence: Message
  /** Log odds that it is a slip rather than honest readings. */
  support: number
}

/** A body mass on record. */
export interface MassBefore {
  kg: number
  /** How long before the one in question, weeks. */
  weeksAgo: number
}

/** Everything that slips are judged by. */
export interface EntryErrorContext extends Expectation {
  /** Body mass now, kg. */
  massKg?: number
  /** Body masses on record, from check-ins and weigh-ins, in any order. */
  masses?: readonly MassBefore[]
  /** Body mass to be expected if the folds changed by this share and lean was held, kg. */
  massAt?: (change: number) => number
  heightCm?: number
  lastHeightCm?: number
  /** The units that the coach reads in, for the words; inches are also what digits were typed in. */
  units?: { length: LengthUnit; mass: MassUnit }
}

/*
 * Prior log odds against each kind of slip, tuned by the simulation in tests/long/slips.test.ts so that honest sheets
 * are seldom questioned. Judgement, no source.
 */
export const AGAINST: Record<EntryErrorKind, number> = {
  decimal: 5,
  unit: 7,
  swap: 3.8,
  transposition: 5.5,
  ten: 4.5,
  'odd trial': 5,
  'repeated site': 5.5,
  'odd mass': 3.5,
  copy: 7,
  'moved alone': 7,
  apart: 0,
  'girth jump': 0,
  'visit shift': 6,
  limit: 0,
  relation: 0,
}

/** A value is offered only where it leads every other explanation of its reading by so much, log odds. */
export const LEAD = 3

/** Where a finding is reported: even odds after the prior. */
export const REPORT = 0

/** A value of a site as the coach reads it, without the unit: mm for folds, cm or inches for girths. */
export function asRead(site: SiteId, value: number, { units }: EntryErrorContext): Figures {
  return figures(isSkinfold(site) ? formatFold(value) : lengthText(value, units?.length ?? 'cm'))
}

/** A body mass as the coach reads it. */
export const massAsRead = (kg: number, { units }: Pick<EntryErrorContext, 'units'>) =>
  figures(formatMass(kg, units?.mass ?? 'kg'))

/** A height as the coach reads it. */
export const heightAsRead = (cm: number, { units }: EntryErrorContext) =>
  figures(units?.length === 'in' ? `${lengthText(cm, 'in')} in` : `${fixed(cm, 1)} cm`)

/** The unit of a site on the screen. */
export const unitOf = (site: SiteId, { units }: EntryErrorContext) =>
  isSkinfold(site) ? 'mm' : (units?.length ?? 'cm')
