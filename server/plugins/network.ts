import { toNodeListener } from 'h3'
import { openDoorAtStart, provideApplication, shutDoor } from '../network/door'
import { useDatabase } from '../database/running'
import { Refusal } from '../http/errors'
import { sayInTerminal } from '../terminal'

/** Lets phones in where somebody has let them in before, or asked for it at the start. */
export default defineNitroPlugin((nitro) => {
  provideApplication(toNodeListener(nitro.h3App))
  const opening = async () => openDoorAtStart(await useDatabase().catch(() => undefined))
  opening().catch((error: unknown) => {
    if (!(error instanceof Refusal)) throw error
    sayInTerminal(error.said)
  })
  nitro.hooks.hook('close', shutDoor)
})
