export { firstName } from '#core'
