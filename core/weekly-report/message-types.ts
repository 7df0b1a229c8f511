import type { GirthId } from '../anatomy/ids'
import type { Message } from '../say'
import type { IsoDate } from '../units/dates'
import type { LengthUnit, MassUnit, TypedUnit } from '../units/parse'

/** A body mass that a message tells of. */
export interface MessageWeight {
  date: IsoDate
  kg: number
  /** As it was typed, with its unit where it had one. */
  typed: string
  /** As it was understood. */
  unit: TypedUnit
}

/** A girth that a message tells of; one that was taken twice is there twice. */
export interface MessageGirth {
  girth: GirthId
  cm: number
  typed: string
  unit: TypedUnit
}

/** What a message leaves open, with what may have been meant. Nothing of it is among the weights and girths. */
export interface MessageQuestion {
  about: 'which-weight' | 'which-day' | 'which-girth' | 'far-off' | 'unknown-number' | 'day'
  /** The words of the message that it is about. */
  text: string
  said: Message
  options: (
    { weight: Omit<MessageWeight, 'date'> & { date?: IsoDate } } | { girth: MessageGirth }
  )[]
}

export interface ReadMessage {
  /** By day, oldest first, one a day. */
  weights: MessageWeight[]
  girths: MessageGirth[]
  /** What else it says, in its own words. */
  note: string
  questions: MessageQuestion[]
}

/** What is known of who wrote. */
export interface MessageHints {
  /** The day that it was written on. */
  today: IsoDate
  /** Of bare numbers that could be either; kg and cm where not said. */
  mass?: MassUnit
  length?: LengthUnit
  /** 11/1 is the first of November. */
  monthFirst?: boolean
  /** The girths that were asked for: a waist is the one of these that is a waist. */
  asked?: readonly GirthId[]
  /** What the client weighed last, kg. */
  lastKg?: number
}
