import { setResponseHeaders, type H3Event } from 'h3'

/** Heads of a picture that somebody put in: it is shown, and whatever else is in it does nothing. */
export function answerPicture(event: H3Event, type: string): void {
  setResponseHeaders(event, {
    'content-type': type,
    'cache-control': 'private, no-store',
    'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
    'cross-origin-resource-policy': 'same-origin',
    'x-content-type-options': 'nosniff',
  })
}
