import type { ClientView } from '#shared/client-view'
import { listCheckIns } from '../../../repositories/check-ins'
import { findScreening, listAuditLog, listHeights, listSiteNotes } from '../../../repositories/clients'
import { listTesters, listInstruments, listOwnErrors } from '../../../repositories/gym'
import { listPlans } from '../../../repositories/plans'
import { listClientNotes, listPhotos, listWeighIns } from '../../../repositories/tracking'
import { defineApi, idOf } from '../../../utils/api'
import { clientOr404 } from '../../../utils/check-in'

export default defineApi(async (event, db): Promise<ClientView> => {
  const id = idOf(event)
  const client = await clientOr404(db, id)
  const all = await listCheckIns(db, id)
  return {
    client,
    checkIns: all.filter(({ voided }) => voided === null),
    voided: all.filter(({ voided }) => voided !== null),
    screening: await findScreening(db, id),
    siteNotes: await listSiteNotes(db, id),
    testers: await listTesters(db),
    history: await listAuditLog(db, id),
    heights: await listHeights(db, id),
    instruments: await listInstruments(db),
    ownErrors: await listOwnErrors(db),
    weighIns: await listWeighIns(db, id),
    events: await listClientNotes(db, id),
    photos: await listPhotos(db, id),
    plans: await listPlans(db, id),
  }
})
