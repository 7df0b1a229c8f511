import { defineEventHandler, setResponseStatus } from 'h3'
import { say } from '#core'
import { told } from '#shared/words/tell'
import { voiceOf } from '#shared/words/voices'
import { languageOf } from '../http/language'

/** Whatever is asked for under /api that is no route of ours. */
export default defineEventHandler((event) => {
  setResponseStatus(event, 404)
  const message = say('api.thereNothingAddress')
  const problems = [{ field: '', message, code: 'not-found' }]
  return told({ problems }, voiceOf(languageOf(event)))
})
