import type { z } from 'zod'
import type { Action } from '../access'

export type Method = 'GET' | 'POST' | 'PATCH' | 'DELETE'

/** How a route is answered: JSON read by a schema, or something else of the type named. */
export type Reply =
  | z.ZodType
  | {
      type:
        | 'text/calendar'
        | 'image'
        | 'text/event-stream'
        | 'application/octet-stream'
        | 'application/x-x509-ca-cert'
        | 'application/pdf'
        | 'application/x-ndjson'
        | 'text/html'
    }

/**
 * One route, once for both ends: the browser calls it and the server answers it by the same object, so that neither
 * can speak of a field that the other does not know.
 */
export interface Route<
  P extends z.ZodType = z.ZodType,
  Q extends z.ZodType = z.ZodType,
  B extends z.ZodType | undefined = z.ZodType | undefined,
  R extends Reply = Reply,
> {
  /** What somebody must be allowed to do who calls it; `anybody` for what is there before somebody signs in. */
  action: Action | 'anybody'
  method: Method
  /** With `:name` where a parameter stands. */
  path: string
  params: P
  query: Q
  /** What is sent as JSON; undefined where nothing is, or a file. */
  body: B
  /** A file in place of JSON: its types and the most bytes. */
  file?: { types: readonly string[]; mostBytes: number }
  reply: R
  /** 201 where something is created. */
  status?: 200 | 201
}

export type ParamsOf<T extends Route> = z.output<T['params']>
export type QueryOf<T extends Route> = z.output<T['query']>
export type BodyOf<T extends Route> = T['body'] extends z.ZodType ? z.output<T['body']> : undefined
/** The body as the browser gives it. */
export type SentBody<T extends Route> = T['body'] extends z.ZodType ? z.input<T['body']> : undefined
export type SentQuery<T extends Route> = z.input<T['query']>
export type ReplyOf<T extends Route> = T['reply'] extends z.ZodType ? z.output<T['reply']> : unknown

/** Names a route. */
export function route<
  P extends z.ZodType,
  Q extends z.ZodType,
  B extends z.ZodType | undefined,
  R extends Reply,
>(spec: Route<P, Q, B, R>): Route<P, Q, B, R> {
  return spec
}

/** The path with its parameters put in. */
export function pathOf(path: string, params: Record<string, string> = {}): string {
  return path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ''))
}
