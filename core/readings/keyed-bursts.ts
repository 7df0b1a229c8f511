/*
 * A digital caliper or tape that types like a keyboard: digits in a burst, faster than a hand, and Enter. It sends twice,
 * and sends while its jaws still move.
 */

/** A key as it comes. */
export interface Key {
  key: string
  /** Milliseconds, by any clock that only goes on. */
  at: number
}

/** What an instrument sent. */
export interface Burst {
  text: string
  at: number
}

/** Between two keys of a burst, ms: no hand types so fast. Judgement, no source. */
const BURST_GAP_MS = 35
/** A burst that says the same again within so long was sent twice. Judgement, no source. */
const TWICE_MS = 700
/** A burst that is followed by another value within so long was sent while the jaws moved. Judgement, no source. */
const MOVING_MS = 1200

/** What is known between two keys. */
export interface Listening {
  keys: readonly Key[]
}

export const SILENCE: Listening = { keys: [] }

const NUMBER = /^[+-]?\d{1,4}([.,]\d{1,3})?$/

/**
 * One key more. A burst is a number of two keys or more, each within 35 ms of the one before, and Enter.
 *
 * @returns what is known now, and the burst that this key ended
 */
export function hearKey({ keys }: Listening, key: Key): { now: Listening; burst?: Burst } {
  const last = keys.at(-1)
  const goesOn = last !== undefined && key.at - last.at <= BURST_GAP_MS
  if (key.key === 'Enter') {
    const text = keys.map((one) => one.key).join('')
    const isBurst = goesOn && keys.length > 1 && NUMBER.test(text)
    return { now: SILENCE, ...(isBurst ? { burst: { text, at: key.at } } : {}) }
  }
  if (!/^[-+\d.,]$/.test(key.key)) return { now: SILENCE }
  return { now: { keys: goesOn ? [...keys, key] : [key] } }
}

/** What is done about a burst. */
export type Hearing =
  /** It may be taken once nothing else came until then. */
  | { is: 'waited for'; until: number }
  /** It says again what was just taken or is waited for. */
  | { is: 'twice' }

/**
 * What is done about a burst: one that says the same again shortly after was sent twice, and any other is waited for, since
 * the jaws may still move. The newest of several that come within the waiting is the one that counts.
 *
 * @param before the last burst that came, taken or not
 */
export function hearBurst(before: Burst | undefined, burst: Burst): Hearing {
  if (before && before.text === burst.text && burst.at - before.at <= TWICE_MS)
    return { is: 'twice' }
  return { is: 'waited for', until: burst.at + MOVING_MS }
}
