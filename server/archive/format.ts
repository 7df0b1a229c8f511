import { z } from 'zod'

/*
 * The portable archive: a zip with record.json (every table, row by row), the photos by their ids, and manifest.json,
 * which says what there is of each and its SHA-256. docs/record.md has it for whoever reads it without us.
 */

export const FORMAT = 'oak-pinch-record'

export const FILES = {
  record: 'record.json',
  manifest: 'manifest.json',
  photos: 'photos/',
} as const

const hash = z.string().regex(/^[0-9a-f]{64}$/)

export const manifestSchema = z.object({
  format: z.literal(FORMAT),
  /** How many migrations the tables have been through. */
  version: z.int().min(1),
  madeAt: z.iso.datetime(),
  /** The tables in the order in which their rows can be put in, by name. */
  tables: z.record(z.string(), z.object({ rows: z.int().min(0), sha256: hash })),
  photos: z.record(z.uuid(), z.object({ bytes: z.int().min(0), sha256: hash })),
})
export type Manifest = z.infer<typeof manifestSchema>

export const recordSchema = z.object({
  format: z.literal(FORMAT),
  version: z.int().min(1),
  tables: z.record(z.string(), z.array(z.record(z.string(), z.unknown()))),
})
