import { OTHER_FAT, OTHER_METHODS, say } from '../../core/index'
import { choice, freeText, idSchema, isoDateSchema, numberIn, pastDateSchema } from './fields'
import { z } from './zod'

/** A result of another method than the folds. */
export const otherResultFormSchema = z.object({
  id: idSchema,
  method: choice(say('fields.method'), OTHER_METHODS),
  device: freeText(say('fields.device'), 80).default(''),
  conditions: freeText(say('fields.conditions'), 200).default(''),
  on: pastDateSchema(say('fields.measured')),
  fatPercent: numberIn(say('fields.fatPercent'), OTHER_FAT.least, OTHER_FAT.most),
  /** kg, where the report has them. */
  fatKg: numberIn(say('fields.fatMass'), 0.5, 300).nullable().default(null),
  leanKg: numberIn(say('fields.leanMass'), 5, 300).nullable().default(null),
})
export type OtherResultForm = z.output<typeof otherResultFormSchema>

export const otherResultSchema = z.object({
  id: z.string(),
  method: z.enum(OTHER_METHODS),
  device: z.string(),
  conditions: z.string(),
  on: isoDateSchema,
  fatPercent: z.number(),
  fatKg: z.number().nullable(),
  leanKg: z.number().nullable(),
})
export type OtherResultRow = z.infer<typeof otherResultSchema>
