import { createRenderer, type App } from 'vue'

/** Nodes of a page that nobody sees. */
const { createApp } = createRenderer<object, object>({
  insert: () => {},
  remove: () => {},
  createElement: () => ({}),
  createText: () => ({}),
  createComment: () => ({}),
  setText: () => {},
  setElementText: () => {},
  parentNode: () => ({}),
  nextSibling: () => null,
  patchProp: () => {},
})

/** Sets something up as a component does, with its page alive around it. */
export function mounted<T>(setUp: () => T): { it: T; app: App } {
  let it: T
  const app = createApp({
    setup() {
      it = setUp()
      return () => null
    },
  })
  app.mount({})
  return { it: it!, app: app as unknown as App }
}
