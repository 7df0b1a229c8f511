import { say } from '../../core/index'
import { exchangeClientSchema, exchangeGymSchema } from './exchange'
import { freeText, idSchema, integerBetween, requiredText } from './fields'
import { z } from './zod'

/** Something of a file that was left out. */
export const importLeftSchema = z.object({
  sheet: freeText(say('fields.sheetName'), 200),
  /** From 1. */
  row: integerBetween(say('fields.rowInFile'), 0, 10_000_000),
  /** The heading of its column, where it is one value. */
  column: z.string().max(200).optional(),
  /** Told in the language of who brought it in. */
  reason: z.string().max(1000),
})
export type ImportLeft = z.output<typeof importLeftSchema>

export const importCountsSchema = z.object({
  clients: z.number(),
  checkIns: z.number(),
  readings: z.number(),
  weighIns: z.number(),
  /** Of other methods than the folds. What was brought in before there were any says nothing of them. */
  otherResults: z.number().default(0),
})
/** What is new on record. */
export type ImportCounts = z.output<typeof importCountsSchema>

/** What is sent first, on a line of its own; a line for each client follows. */
export const importHeadSchema = z.object({
  /** Made by who sends it, so that sending it twice brings it in once. */
  id: idSchema,
  fileName: requiredText(say('fields.fileName'), 200),
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  left: z.array(importLeftSchema).max(20_000).default([]),
  /** How many lines follow. */
  clients: integerBetween(say('fields.number'), 0, 100_000),
  gym: exchangeGymSchema,
})
export type ImportHead = z.output<typeof importHeadSchema>

/** A client of a file. */
export const importLineSchema = z.object({
  /** The client on record that they are; null for somebody new. */
  into: idSchema.nullable(),
  client: exchangeClientSchema,
})
export type ImportLine = z.output<typeof importLineSchema>

/** Clients and testers on record, whom people of a file may be. */
export const importKnownSchema = z.object({
  known: z.array(
    z.object({
      id: idSchema,
      name: z.string(),
      sex: z.enum(['male', 'female']),
      birthDate: z.string().nullable(),
      birthYear: z.number().nullable(),
    }),
  ),
  testers: z.array(z.object({ id: idSchema, name: z.string() })),
})

/** A key with which a spreadsheet reads the record. */
export const sheetKeySchema = z.object({
  id: idSchema,
  name: z.string(),
  createdAt: z.string(),
  usedAt: z.string().nullable(),
})
export type SheetKey = z.output<typeof sheetKeySchema>

/** An import on record. */
export const importSchema = z.object({
  id: idSchema,
  at: z.string(),
  actor: z.string(),
  fileName: z.string(),
  sha256: z.string(),
  counts: importCountsSchema,
  left: z.array(importLeftSchema),
  undoneAt: z.string().nullable(),
})
export type Import = z.output<typeof importSchema>
