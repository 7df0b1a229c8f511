/**
 * What the API answered goes to the browser with the page as one text of JSON. Word by word, as Nuxt does it, a
 * client's record costs the server more than working out what is on the page.
 */
export default definePayloadPlugin(() => {
  definePayloadReducer('Reply', (value) => replies.has(value as object) && JSON.stringify(value))
  definePayloadReviver('Reply', (text: string) => JSON.parse(text) as unknown)
})
