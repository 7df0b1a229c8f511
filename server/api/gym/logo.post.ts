import type { PictureType } from '#core'
import { gym } from '#shared/contract/routes/equipment'
import { keepLogo } from '../../equipment/letterhead'
import { findGym } from '../../equipment/queries'
import { joined } from '../../http/body'
import { defineApi } from '../../http/define-api'

export default defineApi(gym.keepLogo, async ({ db, file, today }) => {
  await keepLogo(db, await joined(file.parts), file.type as PictureType)
  return findGym(db, today)
})
