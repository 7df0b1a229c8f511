import { z } from 'zod'
import { GIRTH_IDS, SKINFOLD_IDS } from '../core'

export const siteIdSchema = z.enum([...SKINFOLD_IDS, ...GIRTH_IDS], {
  error: 'Site: there is no such site.',
})

export const girthIdSchema = z.enum(GIRTH_IDS, { error: 'Girth: there is no such girth.' })
