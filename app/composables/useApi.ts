import type { FetchResponse } from 'ofetch'
import type { z } from 'zod'
import { problemsSchema } from '#shared/contract/problems'

type Method = 'GET' | 'POST' | 'PATCH' | 'DELETE'

/** Nuxt's fetch without its table of typed routes: the schema given with each call is the type. */
const raw = (path: string, options: object) =>
  ($fetch.raw as (path: string, options: object) => Promise<FetchResponse<unknown>>)(path, options)

/**
 * The one way to talk to the server. Every answer is read by its schema.
 *
 * @throws Refused with the server's words, or Unreachable when there is no answer
 */
export function useApi() {
  async function call<S extends z.ZodType>(
    method: Method,
    path: string,
    schema: S,
    body?: unknown,
  ): Promise<z.output<S>> {
    const response = await raw(path, { method, body, retry: 0, ignoreResponseError: true }).catch(
      () => {
        throw new Unreachable()
      },
    )
    if (!response.ok) {
      const words = problemsSchema.safeParse(response._data)
      if (response.status >= 500) throw new Unreachable()
      throw new Refused(response.status, words.success ? words.data.problems : [])
    }
    return schema.parse(response._data)
  }

  return {
    get: <S extends z.ZodType>(path: string, schema: S) => call('GET', path, schema),
    post: <S extends z.ZodType>(path: string, schema: S, body?: unknown) =>
      call('POST', path, schema, body ?? {}),
    patch: <S extends z.ZodType>(path: string, schema: S, body: unknown) =>
      call('PATCH', path, schema, body),
    /** A file as it is, under its own type. */
    upload: <S extends z.ZodType>(path: string, schema: S, file: Blob) =>
      call('POST', path, schema, file),
    delete: <S extends z.ZodType>(path: string, schema: S) => call('DELETE', path, schema),
  }
}
