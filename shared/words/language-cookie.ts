/** Holds the language that a person chose on this device. */
export const LANGUAGE_COOKIE = 'oak-pinch-language'
