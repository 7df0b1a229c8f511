/** Pages hold names and values: a browser that is signed out shows none of them by going back. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:response', (response) => {
    response.headers = { ...response.headers, 'cache-control': 'no-store' }
  })
})
