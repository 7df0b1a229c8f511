const LONGEST_WAIT_MS = 100

/**
 * Runs after the screen has shown what was just changed. A page that is not shown has no frames to wait for, so the
 * wait ends by itself.
 */
export function afterPaint(run: () => void): void {
  let done = false
  const once = () => {
    if (done) return
    done = true
    run()
  }
  requestAnimationFrame(() => setTimeout(once))
  setTimeout(once, LONGEST_WAIT_MS)
}

/**
 * Lets the browser answer to the user and paint, in the midst of a longer piece of work: between the parts of a page
 * that comes alive. The server goes straight on.
 */
export function breathe(): Promise<void> {
  if (import.meta.server) return Promise.resolve()
  const { scheduler } = globalThis as { scheduler?: { yield?(): Promise<void> } }
  return scheduler?.yield?.() ?? new Promise((resume) => setTimeout(resume))
}

/** Works out one thing after another ahead of their being shown, with a breath in between. */
export async function workOut(...things: { readonly value: unknown }[]): Promise<void> {
  if (import.meta.server) return
  for (const thing of things) {
    void thing.value
    await breathe()
  }
}

/** Runs when the page has nothing else to do. */
export function whenIdle(run: () => unknown): void {
  if ('requestIdleCallback' in window) requestIdleCallback(() => void run(), { timeout: 2000 })
  else setTimeout(() => void run(), 500)
}
