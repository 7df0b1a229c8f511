/** The name of what the browser keeps for check-ins. */
export const OFFLINE_STORE = 'oak-pinch'

/** False in a browser that never kept anything; true as well where it does not tell. */
export async function hasOfflineStore(): Promise<boolean> {
  try {
    const known = await indexedDB.databases()
    return known.some(({ name }) => name === OFFLINE_STORE)
  } catch {
    return true
  }
}
