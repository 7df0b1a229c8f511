import type { Problem } from '#shared/contract/problems'

/** The server understood and refused: its words, field by field. */
export class Refused extends Error {
  override readonly name = 'Refused'

  constructor(
    readonly status: number,
    readonly problems: Problem[],
  ) {
    super(problems.map(({ message }) => message).join(' ') || `The server answered ${status}.`)
  }
}

/** No answer: the server is down or out of reach. What was typed is kept. */
export class Unreachable extends Error {
  override readonly name = 'Unreachable'

  constructor() {
    super('The server does not answer. What you typed is kept here.')
  }
}
