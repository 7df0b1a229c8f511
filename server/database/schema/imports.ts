import type { ImportCounts, ImportLeft } from '#shared/contract/imports'
import * as pg from 'drizzle-orm/pg-core'
import { instant } from './columns'

/** A file that was brought in: what came of it, and what was left out. */
export const imports = pg.pgTable('imports', {
  id: pg.uuid('id').primaryKey(),
  at: instant('at').notNull().defaultNow(),
  actor: pg.text('actor').notNull(),
  fileName: pg.text('file_name').notNull(),
  /** Of the file's bytes, in hexadecimal. */
  sha256: pg.text('sha256').notNull(),
  counts: pg.jsonb('counts').$type<ImportCounts>().notNull(),
  left: pg.jsonb('left_out').$type<ImportLeft[]>().notNull(),
  undoneAt: instant('undone_at'),
})

/** Which import a row came by; null for what was typed here. */
export const importId = () => pg.uuid('import_id').references(() => imports.id)

/** Where in the file it stood: rows and sheets, from 1. */
const place = () => ({
  importSheet: pg.text('import_sheet'),
  importRow: pg.integer('import_row'),
})

/** The same, with where in the file it stood. */
export const importedFrom = () => ({ importId: importId(), ...place() })

/** That of a reading, which came with its check-in: the database looks the import up for that one alone. */
export const importedWithCheckIn = () => ({ importId: pg.uuid('import_id'), ...place() })
