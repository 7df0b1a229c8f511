import { z } from './zod'
import { GIRTH_IDS, SKINFOLD_IDS } from '../../core/index'
import { errorText } from './problems'

export const siteIdSchema = z.enum(
  [...SKINFOLD_IDS, ...GIRTH_IDS],
  errorText('Site', 'a site of the drawn figure, as triceps'),
)

export const girthIdSchema = z.enum(
  GIRTH_IDS,
  errorText('Girth', 'a girth of the drawn figure, as waist'),
)
