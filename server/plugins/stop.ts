import { endStreams } from '../events/live'

/** How long a stop waits for what is under way, ms; then the process ends all the same. */
process.env.NITRO_SHUTDOWN_TIMEOUT ??= '1500'

/** A stop in good order is a quick one: screens that follow a check-in are let go at once. */
export default defineNitroPlugin(() => {
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, endStreams)
})
