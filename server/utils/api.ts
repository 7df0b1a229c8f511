import {
  createError,
  defineEventHandler,
  getRouterParam,
  setResponseStatus,
  type H3Event,
  readBody,
} from 'h3'
import { ZodError, type z } from 'zod'
import { InputError } from '#core'
import { idSchema } from '#shared/ids'
import { problemsOf, type Problem } from '#shared/problems'
import type { Database } from '../database/open'
import { useDatabase } from './database'

/** Thrown where the thing asked for is not there. */
export class NotFound extends Error {
  override readonly name = 'NotFound'
}

/** Thrown where the thing asked for is not possible as things stand. */
export class Conflict extends Error {
  override readonly name = 'Conflict'
}

function problemsFrom(error: unknown): { status: number; problems: Problem[] } | undefined {
  if (error instanceof ZodError) return { status: 422, problems: problemsOf(error) }
  if (error instanceof InputError) {
    return { status: 422, problems: [{ field: error.input, message: error.message }] }
  }
  if (error instanceof NotFound)
    return { status: 404, problems: [{ field: '', message: error.message }] }
  if (error instanceof Conflict)
    return { status: 409, problems: [{ field: '', message: error.message }] }
  return undefined
}

/**
 * An API handler: gets the database, and answers bad input with 4xx and the same words that the form shows.
 *
 * @param handle returns the body of the answer
 */
export function defineApi<T>(handle: (event: H3Event, db: Database) => Promise<T>) {
  return defineEventHandler(async (event) => {
    try {
      return await handle(event, await useDatabase())
    } catch (error) {
      const known = problemsFrom(error)
      if (!known) throw error
      setResponseStatus(event, known.status)
      return { problems: known.problems }
    }
  })
}

/** The body of a request, checked. */
export async function bodyOf<S extends z.ZodType>(event: H3Event, schema: S): Promise<z.output<S>> {
  const body: unknown = await readBody(event).catch(() => {
    throw createError({ statusCode: 400, message: 'The body is not JSON.' })
  })
  return schema.parse(body)
}

/** The id in the route, checked. */
export function idOf(event: H3Event, name = 'id'): string {
  return idSchema.parse(getRouterParam(event, name))
}
