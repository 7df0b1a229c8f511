/**
 * How long a test waits for what has to come, ms. A machine whose disk is busy with others can take a minute for what takes
 * a second; whether something is fast is for bench/ to say.
 */
export const PATIENCE = 300_000
