/** The cookie of a browser window that looks around in the made-up club. */
export const MADE_UP_COOKIE = 'oak-pinch-made-up'
