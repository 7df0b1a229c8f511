import { setResponseHeaders } from 'h3'
import { say } from '#core'
import { access } from '#shared/contract/routes/access'
import { defineApi } from '../../http/define-api'
import { notFound } from '../../http/errors'
import { rootCertificate } from '../../network/door'

export default defineApi(access.certificate, async ({ event }) => {
  const certificate = rootCertificate()
  if (!certificate) throw notFound(say('api.doorShut'))
  setResponseHeaders(event, {
    'content-type': 'application/x-x509-ca-cert',
    'content-disposition': 'attachment; filename="oak-pinch-gym.crt"',
    'x-content-type-options': 'nosniff',
  })
  return certificate
})
