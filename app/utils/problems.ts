import { t } from '../words/say'
import type { Problem } from '#shared/contract/problems'

/** The server understood and refused: its words, field by field. */
export class Refused extends Error {
  override readonly name = 'Refused'

  constructor(
    readonly status: number,
    readonly problems: Problem[],
  ) {
    super(
      problems.map(({ message }) => message).join(' ') ||
        t('common.serverAnsweredStatus', { status }),
    )
  }
}

/** No answer: the server is down or out of reach. */
export class Unreachable extends Error {
  override readonly name = 'Unreachable'

  constructor() {
    super(t('common.serverDoesNotAnswerTry'))
  }
}

/** The server answered, but it failed or gave an answer that this page does not understand. */
export class ServerFault extends Error {
  override readonly name = 'ServerFault'
}

/** What is wrong with each field, in words. */
export function byField(problems: readonly Problem[]): Record<string, string> {
  return Object.fromEntries(problems.map(({ field, message }) => [field, message]))
}
