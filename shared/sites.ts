import { z } from 'zod'
import { GIRTH_IDS, SKINFOLD_IDS } from '../core'
import { refused } from './problems'

export const siteIdSchema = z.enum(
  [...SKINFOLD_IDS, ...GIRTH_IDS],
  refused('Site', 'a site of the drawn figure, as triceps'),
)

export const girthIdSchema = z.enum(
  GIRTH_IDS,
  refused('Girth', 'a girth of the drawn figure, as waist'),
)
