import { say } from '#core'
import { reports } from '#shared/contract/routes/reports'
import { findRecord } from '../../../../clients/queries'
import { findProtocol, findSettings } from '../../../../equipment/queries'
import { defineApi } from '../../../../http/define-api'
import { answerWithPaper } from '../../../../reports/answer'
import { clientPage } from '../../../../reports/client-page'
import { coachPage } from '../../../../reports/coach-page'
import { logPage } from '../../../../reports/log-page'
import { planPage } from '../../../../reports/plan-page'
import { readRecord } from '../../../../reports/record'

export default defineApi(reports.client, async ({ event, db, params, query, today }) => {
  const { paper: size, mass, length, girths } = query
  const record = await findRecord(db, params.id)
  // The coach's own page has what the client does not want to see.
  const read = readRecord(record, params.kind === 'coach' || record.client.showPercentages)
  return answerWithPaper(event, db, { size, units: { mass, length }, today }, async (paper) => {
    const title = say('reports.titleOf', { name: record.client.name })
    if (params.kind === 'coach') return { title, content: coachPage(read, paper) }
    if (params.kind === 'plan') return { title, content: planPage(read, paper) }
    if (params.kind === 'client')
      return { title, content: await clientPage(read, paper, { girths: girths === 'yes' }) }
    const { defaultProtocolId: protocolId } = await findSettings(db)
    const usual = (await findProtocol(db, protocolId)) ?? { protocolId }
    return { title, content: logPage(read, paper, usual) }
  })
})
