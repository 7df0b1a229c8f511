import { provideMadeUp } from '../server/database/running'

/** Gives the server the made-up club to look around in; it is loaded when somebody does. */
export default defineNitroPlugin(() => {
  provideMadeUp(async (db, keepPhoto) => {
    const { seedDemo } = await import('./seed')
    await seedDemo(db, keepPhoto)
  })
})
