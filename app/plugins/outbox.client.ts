/** This browser forgets who was deleted for good, as soon as it hears of it. */
async function forgetErased(): Promise<void> {
  const { clients } = await import('#shared/contract/routes/clients')
  const { clientIds } = await callApi(clients.erased, {})
  if (clientIds.length === 0) return
  const { forgetClients } = await import('../features/check-in/offline-store')
  await forgetClients(new Set(clientIds))
}

/** What an earlier page left unsent is sent when the application starts, whichever page is open. */
export default defineNuxtPlugin((nuxt) => {
  // After the page stands: none needs the outbox to be seen or used.
  const outbox = async () => (await import('../features/check-in/log')).theOutbox()
  nuxt.hook('app:mounted', () => {
    whenIdle(async () => {
      // A browser in which nothing was ever measured has nothing to send, and is spared the code for it.
      if (!(await hasOfflineStore())) return
      await forgetErased().catch(() => {})
      void (await outbox()).start()
    })
    window.addEventListener('online', async () => void (await outbox()).drain())
  })
})
