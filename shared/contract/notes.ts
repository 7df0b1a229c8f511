import { say } from '../../core/index'
import { CLIENT_NOTE_KINDS } from './choices'
import { z } from './zod'
import { choice, idSchema, isoDateSchema, requiredText } from './fields'

export const clientNoteFormSchema = z.object({
  id: idSchema,
  date: isoDateSchema,
  kind: choice(say('fields.kind'), CLIENT_NOTE_KINDS),
  words: requiredText(say('fields.note'), 80),
})
export type ClientNoteForm = z.output<typeof clientNoteFormSchema>

export const clientNoteSchema = z.object({
  id: z.string(),
  date: isoDateSchema,
  kind: z.enum(CLIENT_NOTE_KINDS),
  words: z.string(),
})
export type ClientNote = z.infer<typeof clientNoteSchema>
