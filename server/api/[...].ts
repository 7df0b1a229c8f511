import { say } from '#core'
import { defineEventHandler, setResponseStatus } from 'h3'

/** Whatever is asked for under /api that is no route of ours. */
export default defineEventHandler((event) => {
  setResponseStatus(event, 404)
  return {
    problems: [{ field: '', message: say('api.thereNothingAddress'), code: 'not-found' }],
  }
})
