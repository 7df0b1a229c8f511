import type { LandmarkStandard, Sex, SiteId, SiteKind } from '../../anatomy/ids'
import type { OtherMethod } from '../../change/other-methods'
import type { Conversion, GroupTerm } from '../../equations/types'
import type { IsoDate } from '../../units/dates'
import type { Amount } from './amounts'
import type { FileFat, Place } from './file-row'
import type { BroughtProtocol } from './standard'

/* What of a file is brought in. */

export interface BroughtReading extends Amount {
  kind: SiteKind | 'mass'
  site: SiteId | null
  standard: LandmarkStandard | null
  trial: number
}

/** An instrument that a file names. */
export interface BroughtTool {
  name: string
  /** Smallest step of its scale, mm or cm; null where the file does not say. */
  graduation: number | null
}

/** A check-in as it will stand. */
export interface BroughtCheckIn extends BroughtProtocol {
  place: Place
  date: IsoDate
  conversion: Conversion
  /** As the file names them; null where it does not. */
  tester: string | null
  testerSkill: 'trained' | 'novice' | null
  caliper: BroughtTool | null
  tape: BroughtTool | null
  notes: string
  readings: BroughtReading[]
  /** What the file says of it. */
  fat: FileFat | null
}

export interface BroughtMass extends Amount {
  place: Place
  date: IsoDate
}

/** What another method than the folds said. */
export interface BroughtOther {
  place: Place
  method: OtherMethod
  date: IsoDate
  fatPercent: number
  device: string
  conditions: string
}

/** Somebody of the file with all that is brought in of them. */
export interface BroughtPerson {
  key: string
  name: string
  sex: Sex
  birthDate: IsoDate | null
  birthYear: number | null
  /** Between two check-ins; null where the file does not say. */
  cadenceDays: number | null
  showPercentages: boolean
  /** The sources' terms for a group; null where the file does not say. */
  groupTerm: GroupTerm | null
  /** The last day of their week, 0 for Monday; null where the file does not say. */
  weekEndsOn: number | null
  /** The client that they are; null for somebody new. */
  clientId: string | null
  heights: BroughtMass[]
  checkIns: BroughtCheckIn[]
  weighIns: BroughtMass[]
  others: BroughtOther[]
  /** Days on which a phase of theirs began. */
  phases: IsoDate[]
}
