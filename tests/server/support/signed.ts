import type { startApi } from './app'

type Api = Awaited<ReturnType<typeof startApi>>

/** The cookies that an answer sets, as a browser sends them back. */
export const cookieOf = (response: Response): string =>
  response.headers
    .getSetCookie()
    .map((set) => set.split(';')[0])
    .join('; ')

/** Calls the API as whoever has a cookie; as nobody with an empty one. */
export const callerOf =
  (api: () => Api) => async (cookie: string, method: string, path: string, body?: unknown) => {
    const sent = body === undefined ? {} : { body: JSON.stringify(body) }
    const response = await api().raw(method, path, {
      ...{ headers: { cookie, 'content-type': 'application/json' } },
      ...sent,
    })
    const text = await response.text()
    const json = response.headers.get('content-type')?.startsWith('application/json')
    // eslint-disable-next-line @typescript-eslint/no-explicit-any -- what an answer is, each test says
    return { status: response.status, response, text, body: (json ? JSON.parse(text) : {}) as any }
  }
