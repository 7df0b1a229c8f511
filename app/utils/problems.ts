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

/** No answer: the server is down or out of reach, or its disk takes nothing. The same is tried again. */
export class Unreachable extends Error {
  override readonly name = 'Unreachable'

  /** @param why what the server says that it waits for; undefined where it says nothing */
  constructor(readonly why?: string) {
    super(why ?? t('common.serverDoesNotAnswerTry'))
  }
}

/** Nobody is signed in any more: what is to be sent waits until somebody is. */
export class SignedOut extends Unreachable {}

/** How the codes of a server begin that cannot get at its record for now. */
export const RECORD_CODES = 'record-'

/** The server answered, but it failed or gave an answer that this page does not understand. */
export class ServerFault extends Error {
  override readonly name = 'ServerFault'
}

/** What is wrong with each field, in words. */
export function byField(problems: readonly Problem[]): Record<string, string> {
  return Object.fromEntries(problems.map(({ field, message }) => [field, message]))
}
