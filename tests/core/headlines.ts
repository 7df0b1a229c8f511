import type { Headline, HeadlineRule, NamedChange } from '#core'

/** Which way a part clearly went: down, up, or not to be told. */
export const WAYS = [-1, 0, 1] as const
export type Way = (typeof WAYS)[number]

/** A change that is clear one way, or open. */
export const changeOf = (quantity: NamedChange['quantity'], way: Way): NamedChange => ({
  ...{ quantity, change: 4 * way, sd: 1, interval: [4 * way - 2, 4 * way + 2] },
  verdict: way === 0 ? 'not-yet' : 'clear',
})

/** A headline over the same eight weeks, of what is given. */
export const headlineWith = (rule: HeadlineRule, changes: NamedChange[]): Headline => ({
  ...{ rule, changes, horizon: 'phase', since: '2030-01-07', weeks: 8 },
})
