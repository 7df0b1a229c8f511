import type { FetchResponse } from 'ofetch'
import type { z } from 'zod'
import {
  pathOf,
  type ParamsOf,
  type ReplyOf,
  type Route,
  type SentBody,
  type SentQuery,
} from '#shared/contract/define'
import type { Later } from '~/contract'
import { RECORD_CODES, Refused, ServerFault, SignedOut, Unreachable } from './problems'

/** What goes with a call: only what the route takes. */
export type Sent<T extends Route> = (Record<string, never> extends ParamsOf<T>
  ? { params?: undefined }
  : { params: ParamsOf<T> }) & {
  query?: SentQuery<T>
  file?: Blob
} & (T['body'] extends z.ZodType ? { body?: SentBody<T> } : { body?: undefined })

/** Nuxt's fetch without its table of typed routes: the contract is the type. */
const raw = (path: string, options: object) =>
  ($fetch.raw as (path: string, options: object) => Promise<FetchResponse<unknown>>)(path, options)

/** What is loaded from the server as well, and missing when that cannot be reached. */
const reached = <T>(loading: Promise<T>): Promise<T> =>
  loading.catch(() => {
    throw new Unreachable()
  })

const resolved = <T extends Route>(named: T | Later<T>): T | Promise<T> =>
  typeof named === 'function' ? reached(named()) : named

/** What is done when the server says that nobody is signed in any more: a plugin of the browser knows. */
export const whenSignedOut = { tell: () => {} }

/** What the server's answer is where it did not do what was asked, as an error to throw. */
export async function refusalOf(status: number, answer: unknown): Promise<Error> {
  const { problemsSchema } = await reached(import('#shared/contract/problems'))
  const words = problemsSchema.safeParse(answer)
  const problems = words.success ? words.data.problems : []
  if (problems[0]?.code?.startsWith(RECORD_CODES)) return new Unreachable(problems[0].message)
  if (problems[0]?.code === 'sign-in') {
    whenSignedOut.tell()
    return new SignedOut(problems[0].message)
  }
  if (status >= 500)
    return new ServerFault(problems[0]?.message ?? t('common.somethingWentWrongServer'))
  return new Refused(status, problems)
}

/** What the API answered while a page was made on the server: plain JSON, all of it. */
export const replies = new WeakSet<object>()

/**
 * The one way to talk to the server: by a route of the contract. Every answer is read by its schema.
 *
 * @throws Refused with the server's words, Unreachable when there is no answer, ServerFault when it is none of ours
 */
export async function callApi<T extends Route>(
  named: T | Later<T>,
  sent: Sent<T>,
): Promise<ReplyOf<T>> {
  const headers = import.meta.server ? useRequestHeaders(['cookie', 'accept-language']) : undefined
  const route = await resolved(named)
  const { params, query, body, file } = sent as {
    params?: Record<string, string>
    query?: Record<string, unknown>
    body?: unknown
    file?: Blob
  }
  const response = await raw(pathOf(route.path, params), {
    // The server asks itself for what the browser would have asked for, as the same person and in their language.
    ...{ headers, method: route.method, query, retry: 0, ignoreResponseError: true },
    body: route.file ? file : route.body ? (body ?? {}) : undefined,
  }).catch(() => {
    throw new Unreachable()
  })
  if (!response.ok) throw await refusalOf(response.status, response._data)
  // A file is what it is.
  if ('type' in route.reply && !('safeParse' in route.reply)) return response._data as ReplyOf<T>
  const reply = (route.reply as z.ZodType).safeParse(response._data)
  if (!reply.success) {
    throw new ServerFault(t('common.serverGaveAnswerThisPage'))
  }
  if (import.meta.server && reply.data instanceof Object) replies.add(reply.data)
  return reply.data as ReplyOf<T>
}
