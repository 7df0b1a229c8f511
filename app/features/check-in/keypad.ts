import { useMediaQuery } from '@vueuse/core'

/** Small screens get our keypad in place of the system's own. */
export const useKeypad = () => useMediaQuery('(max-width: 1023px)')

/** What inches and their fractions are typed with besides digits: 32 1/8. */
export const INCH_SIGNS = [' ', '/'] as const
