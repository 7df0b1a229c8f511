import { z } from './zod'
import { requiredText } from './fields'
import { isGirth, isSkinfold, type GirthId, type SiteId, type SkinfoldId } from '../../core/index'
import { errorText } from './problems'

const name = requiredText('Site', 60)
const siteError = errorText('Site', 'a site of the drawn figure, as triceps, or one of your own')
const girthError = errorText('Girth', 'a girth of the drawn figure, as waist, or one of your own')

/** One spelling of each id: a site of a coach's own is letters of any script. */
const isPlain = (id: unknown): id is string =>
  typeof id === 'string' && name.safeParse(id).data === id

export const siteIdSchema = z.custom<SiteId>(
  (id) => isPlain(id) && (isSkinfold(id) || isGirth(id)),
  siteError,
)

export const girthIdSchema = z.custom<GirthId>((id) => isPlain(id) && isGirth(id), girthError)

export const skinfoldIdSchema = z.custom<SkinfoldId>(
  (id) => isPlain(id) && isSkinfold(id),
  siteError,
)
