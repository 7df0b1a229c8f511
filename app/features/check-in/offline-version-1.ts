import { v4 as newId } from 'uuid'
import { z } from 'zod'
import { newReadingSchema, type CheckInChange } from '#shared/contract/check-ins'
import { siteNoteSchema } from '#shared/contract/clients'
import type { Operation } from './operations'
import { instrumentFor } from './stamp'

/*
 * What the first version of this application kept in the browser: a view of the check-in under older names, choices
 * that were not taken yet as one object, marks, and readings with whether they were stored. Read once, when the
 * browser's store is brought up to date, so that a reading typed before an update is not lost by it.
 */

const keptCheckIn = z.looseObject({
  id: z.string(),
  view: z.looseObject({
    checkIn: z.looseObject({
      id: z.string(),
      clientId: z.string(),
      coachId: z.string(),
      caliperId: z.string().nullable().optional(),
      tapeId: z.string().nullable().optional(),
      scaleId: z.string().nullable().optional(),
      revision: z.number().optional(),
    }),
  }),
  change: z.looseObject({}).optional(),
  marks: z.array(z.looseObject({ school: z.string().nullable() })).optional(),
})

const keptReading = z.looseObject({
  reading: z.looseObject({
    id: z.string(),
    checkInId: z.string(),
    kind: z.enum(['skinfold', 'girth', 'mass', 'height']),
    school: z.string().nullable(),
    pass: z.number(),
    unit: z.string(),
    typed: z.string(),
  }),
  stored: z.boolean(),
  refusal: z.string().nullable(),
  order: z.number(),
})

type KeptCheckIn = z.output<typeof keptCheckIn>

function allOf<T>(schema: z.ZodType<T>, rows: readonly unknown[]): T[] {
  return rows.flatMap((row) => {
    const read = schema.safeParse(row)
    return read.success ? [read.data] : []
  })
}

/** What had not been stored in version 1, as operations of today. */
export function operationsOfVersion1(
  checkIns: readonly unknown[],
  readings: readonly unknown[],
): Operation[] {
  const known = new Map(allOf(keptCheckIn, checkIns).map((kept) => [kept.id, kept]))
  const choices = [...known.values()].flatMap(choicesOf)
  const waiting = allOf(keptReading, readings)
    .filter(({ stored }) => !stored)
    .sort((a, b) => a.order - b.order)
    .flatMap(({ reading, refusal }) => {
      const of = known.get(reading.checkInId)
      return of ? readingOf(of, reading, refusal) : []
    })
  return [...choices, ...waiting]
}

function readingOf(
  { view: { checkIn } }: KeptCheckIn,
  old: z.output<typeof keptReading>['reading'],
  refusal: string | null,
): Operation[] {
  const { school, pass, unit, typed, coachId: _c, ...rest } = old
  const read = newReadingSchema.safeParse({
    ...rest,
    ...{ standard: school, trial: pass, typedUnit: unit, typedText: typed },
    ...{ testerId: checkIn.coachId, instrumentId: instrumentFor(old.kind, checkIn) },
  })
  if (!read.success) return []
  const setAside = refusal === null ? null : { code: 'refused', message: refusal }
  const { id, checkInId } = read.data
  return [{ kind: 'reading', id, checkInId, reading: read.data, setAside }]
}

/** Choices and marks that had not been sent. */
function choicesOf({ id: checkInId, view: { checkIn }, change = {}, marks = [] }: KeptCheckIn) {
  const { skipped, extraGirths, conditions, coachId, ...plain } = change as {
    skipped?: { site: string; reason: string }[]
    extraGirths?: string[]
    conditions?: object
    coachId?: string
  }
  const parts = {
    ...plain,
    ...(coachId ? { testerId: coachId } : {}),
    ...(conditions ? { conditions } : {}),
    ...(skipped ? { skips: Object.fromEntries(skipped.map((s) => [s.site, s.reason])) } : {}),
    ...(extraGirths ? { extraGirths: Object.fromEntries(extraGirths.map((g) => [g, true])) } : {}),
  }
  const found: Operation[] = []
  if (Object.keys(parts).length > 0) {
    const revision = checkIn.revision ?? 0
    found.push({
      ...{ kind: 'change', id: newId(), checkInId, setAside: null },
      change: { ...parts, revision } as CheckInChange,
    })
  }
  for (const { school, ...mark } of marks) {
    const note = siteNoteSchema.safeParse({ ...mark, standard: school })
    if (!note.success) continue
    found.push({
      ...{ kind: 'site-note', id: newId(), checkInId, setAside: null },
      ...{ clientId: checkIn.clientId, note: note.data },
    })
  }
  return found
}
