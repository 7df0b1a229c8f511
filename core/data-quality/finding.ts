import { type SiteId, isSkinfold } from '../anatomy/ids'
import type { Expectation } from './likelihood'
import { fixed, formatFold, formatMass, lengthText } from '../units/format'
import type { LengthUnit, MassUnit } from '../units/parse'

export type EntryErrorKind =
  | 'decimal'
  | 'unit'
  | 'swap'
  | 'transposition'
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
}

/** Something about the readings that asks for a second look. It never blocks. */
export interface Finding {
  kind: EntryErrorKind
  sites: (SiteId | 'mass' | 'height')[]
  /** The likely intended values; empty where there is nothing to offer but a second look. */
  suggestions: SuggestedValue[]
  /** What speaks for it, for the coach. */
  evidence: string
  /** Log odds that it is a slip rather than honest readings. */
  support: number
}

/** Everything that slips are judged by. */
export interface EntryErrorContext extends Expectation {
  /** Body mass now and last time, kg. */
  massKg?: number
  lastMassKg?: number
  /** Body mass to be expected if the folds changed by this share and lean was held, kg. */
  massAt?: (change: number) => number
  heightCm?: number
  lastHeightCm?: number
  /** The units that the coach reads in, for the words; inches are also what digits were typed in. */
  units?: { length: LengthUnit; mass: MassUnit }
}

/*
 * Prior log odds against each kind of slip, tuned by the simulation in tests/core/slips.test.ts so that honest sheets
 * are seldom questioned. Judgement, no source.
 */
export const AGAINST: Record<EntryErrorKind, number> = {
  decimal: 6,
  unit: 7,
  swap: 5.8,
  transposition: 7.5,
  copy: 7,
  'moved alone': 4.5,
  apart: 0,
  'girth jump': 0,
  'visit shift': 6,
  limit: 0,
  relation: 0,
}

/** Where a finding is reported: even odds after the prior. */
export const REPORT = 0

/** A value of a site as the coach reads it, without the unit: mm for folds, cm or inches for girths. */
export function asRead(site: SiteId, value: number, { units }: EntryErrorContext): string {
  return isSkinfold(site) ? formatFold(value) : lengthText(value, units?.length ?? 'cm')
}

/** A body mass as the coach reads it. */
export const massAsRead = (kg: number, { units }: EntryErrorContext) =>
  formatMass(kg, units?.mass ?? 'kg')

/** A height as the coach reads it. */
export const heightAsRead = (cm: number, { units }: EntryErrorContext) =>
  units?.length === 'in' ? `${lengthText(cm, 'in')} in` : `${fixed(cm, 1)} cm`

/** The unit of a site on the screen. */
export const unitOf = (site: SiteId, { units }: EntryErrorContext) =>
  isSkinfold(site) ? 'mm' : (units?.length ?? 'cm')
