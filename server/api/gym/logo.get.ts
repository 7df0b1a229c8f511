import { say } from '#core'
import { gym } from '#shared/contract/routes/equipment'
import { letterheadOf } from '../../equipment/letterhead'
import { defineApi } from '../../http/define-api'
import { notFound } from '../../http/errors'
import { answerPicture } from '../../http/picture'

export default defineApi(gym.logo, async ({ event, db }) => {
  const { logo } = await letterheadOf(db)
  const [, type, data] = /^data:([^;]+);base64,(.*)$/.exec(logo ?? '') ?? []
  if (!data) throw notFound(say('api.noLogo'))
  answerPicture(event, type!)
  return Buffer.from(data, 'base64')
})
