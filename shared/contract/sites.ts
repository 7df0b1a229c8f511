import { z } from './zod'
import { requiredText } from './fields'
import {
  isGirth,
  isSkinfold,
  type GirthId,
  type SiteId,
  type SkinfoldId,
  say,
  isSite,
  isBone,
  type BoneId,
} from '../../core/index'
import { errorText } from './problems'

const name = requiredText(say('fields.site'), 60)
const siteError = errorText(say('fields.site'), say('fields.siteDrawnFigureTricepsOne'))
const girthError = errorText(say('fields.girth'), say('fields.girthDrawnFigureWaistOne'))

/** One spelling of each id: a site of a coach's own is letters of any script. */
const isPlain = (id: unknown): id is string =>
  typeof id === 'string' && name.safeParse(id).data === id

export const siteIdSchema = z.custom<SiteId>((id) => isPlain(id) && isSite(id), siteError)

export const girthIdSchema = z.custom<GirthId>((id) => isPlain(id) && isGirth(id), girthError)

export const boneIdSchema = z.custom<BoneId>((id) => isPlain(id) && isBone(id), siteError)

export const skinfoldIdSchema = z.custom<SkinfoldId>(
  (id) => isPlain(id) && isSkinfold(id),
  siteError,
)
