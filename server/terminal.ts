import type { Words } from '#core'
import { tell } from '#shared/words/tell'
import { shippedVoice } from '#shared/words/voices'

/** Says something to whoever looks at the terminal. Never what somebody typed, nor whose record it is. */
export const sayInTerminal = (said: Words): void => console.error(tell(said, shippedVoice()))
