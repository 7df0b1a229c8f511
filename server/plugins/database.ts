import { closeDatabase, openAtStart } from '../database/running'

/** Opens the database with the server, so that a folder in use is refused at once and not at the first request. */
export default defineNitroPlugin((nitro) => {
  void openAtStart()
  nitro.hooks.hook('close', closeDatabase)
})
